import type { PartyShared, SharedBase } from '@/contract/views/news';
import { phaseFacts } from '@/core/sequence/phases';
import { formatLength } from '@/core/units/length';
import { capital } from '@/core/words/letters';
import { sayHalfDay } from '@/core/words/visit-word';
import { areaNames, jobRow } from '../reading/job';
import { newestPictures } from '../reading/pictures';
import type { JobReading } from '../reading/reading';
import { inspectionRow, inspectionRows } from '../reading/sequence';
import { siteOf } from '../reading/site';
import { recordsThat } from '../reading/standing';
import { papersOfRequest } from '../views/attachments';
import { requestViews } from '../views/requests';
import { selectionsOf } from '../views/selection';
import { whenSeen } from '../words';
import type { OpenLink } from './links';

/** Pictures of one area that are shown, of so many that are looked through; measures of it. */
const PICTURES = { each: 6, lookedThrough: 120 };
const MEASURES = 20;

/** The areas that a question or a visit is about. */
export function areasOfParty(
  job: JobReading,
  { request, inspection }: Pick<OpenLink, 'request' | 'inspection'>,
): string[] {
  if (inspection !== null) {
    const visit = inspectionRow(job, inspection);
    if (!visit) return [];
    // One visit sees all rooms that its office was asked to see on that half-day.
    const same = inspectionRows(job).filter(
      (row) =>
        row.state === 'booked' && row.office === visit.office && row.day === visit.day && row.half === visit.half,
    );
    return [...new Set([visit, ...same].map(({ area }) => area))];
  }
  const asked = requestViews(job).find(({ id }) => id === request);
  const selections = new Map(selectionsOf(job).map((selection) => [selection.id, selection.areaId]));
  return [
    ...new Set(
      (asked?.waits ?? []).flatMap(({ area, selection }) => area ?? (selection && selections.get(selection)) ?? []),
    ),
  ];
}

/** What an engineer, an office or an association reads: one question or one visit, with what there is to be seen of it. */
export const partyShared = (job: JobReading, link: OpenLink): Omit<PartyShared, keyof SharedBase> => ({
  audience: 'party',
  job: { name: jobRow(job).name, address: jobRow(job).address },
  ...(link.inspection === null ? questionOf(job, link.request) : visitOf(job, link.inspection)),
  papers: link.request === null ? [] : papersOfRequest(job, link.request),
  areas: areasOfParty(job, link).map((area) => areaOf(job, area)),
});

function questionOf(
  job: JobReading,
  request: string | null,
): Pick<PartyShared, 'heading' | 'when' | 'waits' | 'asked'> {
  const asked = requestViews(job).find(({ id }) => id === request);
  if (!asked) return { heading: '', when: '', waits: [], asked: null };
  return {
    heading: capital(asked.subject),
    when: '',
    waits: asked.waits.map(({ text }) => text),
    asked: {
      ...{ id: asked.id, kind: asked.kind, subject: asked.subject, by: asked.neededBy },
      settled: asked.outcome
        ? { granted: 'yes', conditions: 'yes, on a condition', refused: 'no' }[asked.outcome] +
          `${asked.conditions ? `: ${asked.conditions}` : ''}${asked.answeredBy ? ` (${asked.answeredBy})` : ''}`
        : null,
    },
  };
}

function visitOf(job: JobReading, id: string): Pick<PartyShared, 'heading' | 'when' | 'waits' | 'asked'> {
  const visit = inspectionRow(job, id);
  if (!visit) return { heading: '', when: '', waits: [], asked: null };
  const when = sayHalfDay(visit, job.firm.today);
  return {
    heading: capital(phaseFacts(visit.phase).label),
    when: visit.state === 'booked' ? `Booked for ${when}.` : `It was ${visit.state}.`,
    waits: [],
    asked: null,
  };
}

function areaOf(job: JobReading, area: string): PartyShared['areas'][number] {
  const name = areaNames(job).get(area) ?? '';
  const { units } = jobRow(job);
  const track = siteOf(job).areas.find(({ id }) => id === area)?.track ?? [];
  return {
    ...{ id: area, name },
    done: track.flatMap(({ phase, fraction }) =>
      fraction === 1 && !phaseFacts(phase).hold ? [phaseFacts(phase).label] : [],
    ),
    pictures: newestPictures(job, PICTURES.lookedThrough)
      .filter((picture) => picture.area === area)
      .slice(0, PICTURES.each)
      .map(({ picture: hash, at, text }) => {
        const when = whenSeen(at, job.firm);
        return { hash, when, alt: `${name}, ${when}${text ? `: ${text}` : ''}` };
      }),
    measures: recordsThat(job, 'measurement')
      .filter((record) => record.area === area)
      .slice(-MEASURES)
      .map(({ text, mm, at }) => ({
        text: `${capital(text)}: ${formatLength(mm, units)}`,
        when: whenSeen(at, job.firm),
      })),
  };
}
