import type { SlipOf } from '@/contract/routes';
import type { PackMarks } from '@/contract/views/walk';
import type { AdvicePart } from '@/contract/views/advice';
import { advise } from '../advice/advice';
import { unpack } from '../archive/unpack';
import { writeFirmArchive } from '../archive/write-firm';
import { writeArchive, writeClientCopy } from '../archive/write';
import { dispatch } from '../dispatch/dispatch';
import { preview } from '../dispatch/preview';
import { prepare } from '../dispatch/prepare';
import type { Actor } from '../door/actor';
import { areaPaper, jobPaper } from '../papers/documents';
import type { PaperFile } from '../papers/paper-response';
import type { Installation } from '../installation';
import { readFirm, readJob } from '../reading/reading';
import type { Sees } from '../rights/sees';
import { erase, whereNamed, type ErasureTerms } from '../erasure/erase';
import { letGo } from '../erasure/let-go';
import { sweepFiles } from '../files/sweep';
import { forecastView } from '../plan/forecast';
import { planDocument } from '../plan/document';
import { pullView } from '../plan/pull';
import { effectsOfChanges } from '../plan/change-effect';
import { changesView, liveChanges } from '../views/changes';
import { optionsView } from '../views/scope';
import { packNews } from '../views/pack';
import { reviewView } from '../views/review';

/** Read of one moment: what is asked for together is true together. */
const read =
  <Terms extends unknown[], Answer>(look: (installation: Installation, ...terms: Terms) => Answer) =>
  (installation: Installation, ...terms: Terms): Answer =>
    installation.db.transaction(() => look(installation, ...terms))();

/**
 * What takes longer than a request may hold the server: placing plans, setting papers, reading long texts. It runs in
 * threads that have a connection of their own; nobody waits for somebody else's.
 */
export const TASKS = {
  dispatch: (installation: Installation, who: Actor, input: unknown) => dispatch(installation, who, input),
  preview: (installation: Installation, who: Actor, input: unknown) => preview(installation, who, input),
  prepare: (installation: Installation, who: Actor, input: unknown) => prepare(installation, who, input),
  pull: read((installation, task: string) => pullView(readFirm(installation), task)),
  options: read((installation, job: string) => optionsView(readFirm(installation).job(job))),
  changes: (installation: Installation, job: string) => {
    const drafts = liveChanges(readJob(installation, job)).filter(({ state }) => state === 'draft');
    const effects = effectsOfChanges(installation, drafts);
    return installation.db.transaction(() => changesView(readFirm(installation).job(job), effects))();
  },
  review: read((installation, job: string, walk: string) =>
    reviewView(readJob(installation, job), walk, () => readFirm(installation)),
  ),
  packs: read((installation, have: Record<string, PackMarks>, sees: Sees | undefined) =>
    packNews({ ...installation, ...(sees ? { sees } : {}) }, have),
  ),
  'job paper': (
    installation: Installation,
    job: string,
    file: string,
    terms: { version?: number; origin?: string; sub?: string },
  ): Promise<PaperFile> => jobPaper(installation, job, file, terms),
  'pack job': (installation: Installation, job: string, file: string) => writeArchive(installation, job, file),
  'pack client copy': (installation: Installation, job: string, file: string) =>
    writeClientCopy(installation, job, file),
  'pack firm': (installation: Installation, file: string) => writeFirmArchive(installation, file),
  unpack: (installation: Installation, file: string, who: string) => unpack(installation, file, who),
  'area paper': (installation: Installation, area: string, file: string, origin: string): Promise<PaperFile> =>
    areaPaper(installation, area, file, origin),
  'sweep files': async (installation: Installation) => ({
    ...(await sweepFiles(installation, new Date())),
    ...(await letGo(installation, installation.clock.now())),
  }),
  'where named': read(whereNamed),
  erase: (installation: Installation, terms: ErasureTerms, who: string) => erase(installation, terms, who),
  'plan document': read(planDocument),
  forecast: read((installation, job: string, sees: Sees) => forecastView(readFirm(installation), job, sees)),
};

export type Tasks = typeof TASKS;

/** What is told part by part while it is under way. */
export const TELLING = {
  advice: (installation: Installation, who: Actor, of: SlipOf, tell: (part: AdvicePart) => void): void =>
    advise(installation, who, of, tell),
};

export type Telling = typeof TELLING;
