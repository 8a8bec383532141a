import { queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { demoId } from '../../demo/seed';
import type { Given } from './first-visit-commands';
import { areaOf, must, newId, signalHouse } from './installations';

const [id, other, walk] = [newId(), newId(), newId()];
const row = (
  installation: Installation,
  table: string,
  key: string,
  column = 'id',
): Record<string, unknown> | undefined =>
  queryOne(installation.db, `SELECT * FROM ${table} WHERE ${column} = @key`, { key });
const lastWalk = demoId('signal', 'walk', '2');
const record = (installation: Installation, seen: object): void =>
  void must(installation, 'observation.record', {
    observation: { id: other, walk: lastWalk, area: areaOf('day'), ...seen },
  });
const surprise = (installation: Installation): void =>
  record(installation, { kind: 'surprise', text: 'a second flue' });
const short = (installation: Installation): void =>
  record(installation, { kind: 'short', text: 'sealant', quantity: 2, unit: 'tubes' });
const narration = demoId('signal', 'narration');
const linden = demoId('linden');
const client = { kind: 'link', id: other, audience: 'client', job: linden, sub: null } as const;
/** The link by which a client answers. */
const linked = (installation: Installation): void =>
  void must(installation, 'share.make', {
    ...{ id: client.id, audience: 'client', job: linden, recipient: 'A. Marrow', expiresOn: '2027-05-01' },
  });
const asked = { id: demoId('linden', 'asked', '0'), version: 1 };

/** Every command of a walk and of the end of a job: what it leaves. */
export const WALKS: Record<string, Given> = {
  'standpoint.add': {
    payload: { id, area: areaOf('day'), name: 'from the hearth' },
    leaves: (installation) => row(installation, 'standpoint', id),
    expected: { name: 'from the hearth', job: signalHouse, removed: 0 },
  },
  'observation.file': {
    before: surprise,
    payload: { about: other, filedAs: 'change', target: id },
    leaves: (installation) => [
      row(installation, 'filing', other, 'observation')?.filed_as,
      row(installation, 'change_order', id)?.state,
    ],
    expected: ['change', 'draft'],
  },
  'observation.unfile': {
    before: (installation) => {
      surprise(installation);
      must(installation, 'observation.file', { about: other, filedAs: 'assumption', target: id });
    },
    payload: { about: other },
    leaves: (installation) => [
      row(installation, 'filing', other, 'observation'),
      row(installation, 'assumption', id)?.removed,
    ],
    expected: [undefined, 1],
  },
  'measurement.adopt': {
    before: (installation) =>
      record(installation, {
        area: areaOf('guest'),
        kind: 'measurement',
        text: 'wall 1, length',
        typed: `13' 4"`,
        mm: 4064,
        of: { what: 'height' },
      }),
    payload: { about: other },
    leaves: (installation) =>
      (JSON.parse(String(row(installation, 'shape', areaOf('guest'), 'area')?.shape)) as { height: unknown }).height,
    expected: { mm: 4064, typed: `13' 4"` },
  },
  'narration.keep': {
    payload: { id, walk: lastWalk, name: 'a.txt', text: 'Kitchen. Framing is done.' },
    leaves: (installation) => row(installation, 'narration', id),
    expected: { name: 'a.txt', recording: null, person: demoId('person', 'maren') },
  },
  'draft.drop': {
    payload: { narration, draft: 'scope@3.0' },
    leaves: (installation) => row(installation, 'dropped_draft', narration, 'narration'),
    expected: { draft: 'scope@3.0' },
  },
  'draft.restore': {
    before: (installation) => must(installation, 'draft.drop', { narration, draft: 'scope@3.0' }),
    payload: { narration, draft: 'scope@3.0' },
    leaves: (installation) => row(installation, 'dropped_draft', narration, 'narration'),
    expected: undefined,
  },
  'close-in.sign': {
    payload: { id, area: areaOf('study'), name: 'Ines', reason: 'the shelves hang from the ceiling' },
    leaves: (installation) => (JSON.parse(String(row(installation, 'close_in_sign', id)?.lines)) as string[]).length,
    expected: 2,
    plans: true,
  },
  'site.close-down': {
    payload: {
      id,
      job: signalHouse,
      walk: lastWalk,
      items: [{ item: 'edges', state: 'not well', text: 'cover gone' }],
      bin: 0.8,
    },
    leaves: (installation) => row(installation, 'site_close_down', id),
    expected: { bin: 0.8, job: signalHouse },
  },
  'shortage.purchase': {
    before: short,
    payload: { about: other },
    leaves: (installation) => row(installation, 'purchased', other, 'observation'),
    expected: { person: demoId('person', 'maren') },
  },
  'shortage.unpurchase': {
    before: (installation) => {
      short(installation);
      must(installation, 'shortage.purchase', { about: other });
    },
    payload: { about: other },
    leaves: (installation) => row(installation, 'purchased', other, 'observation'),
    expected: undefined,
  },
  'client.hand-over': {
    payload: { id, job: linden, kind: 'code', text: 'door code' },
    leaves: (installation) => row(installation, 'handed_over', id),
    expected: { kind: 'code', area: null },
  },
  'client.ask': {
    who: client,
    payload: { id, text: 'a scratch', name: 'A. Marrow' },
    leaves: (installation) => row(installation, 'client_item', id),
    expected: { state: 'asked', job: linden },
  },
  'client.take-up': {
    before: (installation) => must(installation, 'walk.start', { id: walk, job: linden, kind: 'completion' }),
    payload: { ...asked, observation: id, walk, area: areaOf('bed', 'linden'), trade: 'finish' },
    leaves: (installation) => [
      row(installation, 'client_item', asked.id)?.state,
      row(installation, 'observation', id)?.kind,
    ],
    expected: ['taken up', 'remaining'],
    plans: true,
  },
  'client.answer': {
    payload: { ...asked, answer: 'oiled on Friday' },
    leaves: (installation) => row(installation, 'client_item', asked.id),
    expected: { state: 'answered', answer: 'oiled on Friday' },
  },
  'area.sign-off': {
    payload: { id, area: areaOf('hall', 'linden'), name: 'A. Marrow' },
    leaves: (installation) => row(installation, 'sign_off', id),
    expected: { by_client: 0, job: linden },
  },
  'area.accept': {
    before: linked,
    who: client,
    payload: { id, area: areaOf('hall', 'linden'), name: 'A. Marrow', words: 'lovely' },
    leaves: (installation) => row(installation, 'sign_off', id),
    expected: { by_client: 1, words: 'lovely' },
  },
};
