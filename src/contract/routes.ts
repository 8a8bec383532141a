import type { BoardBy, BoardWeeks } from './board-look';
import { placeWords, type PastPlace } from './past';
import type { Explained } from '@/core/words/meanings';
import type { AreaId, JobId, PurchaseOrderId, RequestId, SelectionId, TaskId, WalkId } from '@/core/ids';

/**
 * Every address of the application, said once. Interface and server ask here for a link, so that a page that moves moves in one
 * place; `routes.test.ts` compares this table with the pages and route handlers that are there.
 */
export type Path = `/${string}`;

/** `?a=1&b=2` of what is given; nothing for what is not. */
function query(values: object): string {
  const given = new URLSearchParams();
  for (const [name, value] of Object.entries(values)) {
    if (value !== undefined) given.set(name, String(value));
  }
  return given.size > 0 ? `?${given}` : '';
}

/** Whether an address is a page, and no file or answer of the house. */
export const isPage = (path: string): boolean => !path.startsWith('/api/');

/** The same page with what was before a place in the past. */
export const before = (page: Path, place: PastPlace): Path =>
  `${page}${page.includes('?') ? '&' : '?'}before=${encodeURIComponent(placeWords(place))}`;

/** The place on a page of one thing. */
const hash = (id: string | undefined): string => (id === undefined ? '' : `#${id}`);

/** What a board shows: its rows, how much of time from which shift, one crew only, one task opened. */
export interface BoardShown {
  by?: BoardBy | undefined;
  weeks?: BoardWeeks | undefined;
  shift?: number | undefined;
  crew?: string | undefined;
  task?: TaskId | undefined;
}

/** What slipped: a thing that comes late, or a piece of work that does not go as planned. */
export type SlipOf = { selection: SelectionId } | { task: TaskId };

/** The places of a job and their pages. */
export const jobRoutes = {
  rooms: (job: JobId): Path => `/jobs/${job}`,
  areas: (job: JobId): Path => `/jobs/${job}/areas`,
  room: (job: JobId, area: AreaId): Path => `/jobs/${job}/areas/${area}`,
  layout: (job: JobId, area: AreaId): Path => `/jobs/${job}/areas/${area}/layout`,
  /** The wall record of an area, at one of its walls (from 1). */
  walls: (job: JobId, area: AreaId, wall?: number): Path =>
    `/jobs/${job}/areas/${area}/walls${hash(wall === undefined ? undefined : `wall-${wall}`)}`,

  scope: (job: JobId): Path => `/jobs/${job}/scope`,
  firstVisit: (job: JobId, area?: AreaId): Path => `/jobs/${job}/scope/visit${query({ area })}`,
  assumptions: (job: JobId): Path => `/jobs/${job}/scope/assumptions`,
  options: (job: JobId): Path => `/jobs/${job}/scope/options`,
  levels: (job: JobId): Path => `/jobs/${job}/scope/levels`,
  materials: (job: JobId): Path => `/jobs/${job}/scope/materials`,
  /** What can be set with one sentence; `said` is looked for in it. */
  assemblies: (job: JobId, area?: AreaId, said?: string): Path =>
    `/jobs/${job}/scope/assemblies${query({ area, said })}`,
  prices: (job: JobId): Path => `/jobs/${job}/scope/prices`,
  changes: (job: JobId): Path => `/jobs/${job}/scope/changes`,
  money: (job: JobId): Path => `/jobs/${job}/scope/money`,
  statement: (job: JobId, version?: number): Path => `/jobs/${job}/scope/statement${query({ version })}`,

  selections: (job: JobId): Path => `/jobs/${job}/selections`,
  selection: (job: JobId, selection: SelectionId): Path => `/jobs/${job}/selections/${selection}`,
  requests: (job: JobId, request?: RequestId): Path => `/jobs/${job}/selections/requests${hash(request)}`,
  purchasing: (job: JobId): Path => `/jobs/${job}/selections/orders`,
  purchaseOrder: (job: JobId, order: PurchaseOrderId): Path => `/jobs/${job}/selections/orders/${order}`,
  wayIn: (job: JobId): Path => `/jobs/${job}/selections/way-in`,
  deliveries: (job: JobId, left?: SelectionId): Path => `/jobs/${job}/selections/deliveries${query({ left })}`,

  sequence: (job: JobId): Path => `/jobs/${job}/sequence`,
  schedule: (job: JobId, show: BoardShown = {}): Path => `/jobs/${job}/schedule${query(show)}`,
  progress: (job: JobId, { against, slips }: { against?: string | undefined; slips?: 'all' } = {}): Path =>
    `/jobs/${job}/schedule/progress${query({ against, slips })}`,
  /** Every answer to something that slipped: a thing that comes late, or a piece of work. */
  living: (job: JobId): Path => `/jobs/${job}/schedule/living`,
  forecast: (job: JobId): Path => `/jobs/${job}/schedule/forecast`,
  slip: (job: JobId, of: SlipOf): Path => `/jobs/${job}/schedule/slip${query(of)}`,

  walks: (job: JobId): Path => `/jobs/${job}/walks`,
  review: (job: JobId, walk: WalkId): Path => `/jobs/${job}/walks/${walk}`,
  completion: (job: JobId): Path => `/jobs/${job}/walks/completion`,
  /** Every picture of the job, by day and room. */
  pictures: (job: JobId): Path => `/jobs/${job}/walks/pictures`,
  /** Who changed what, before a change by its number where one is given. */
  history: (job: JobId, before?: number): Path => `/jobs/${job}/walks/history${query({ before })}`,

  /** What there is to tell of a job, with what one of its readers would be told. */
  news: (job: JobId, to?: 'client' | 'crew' | 'neighbour'): Path => `/jobs/${job}/news${query({ to })}`,
  /** News with every link that opens. */
  newsWithLinks: (job: JobId): Path => `/jobs/${job}/news${query({ links: 'all' })}`,
} as const;

/** The pages that belong to no one job. */
export const routes = {
  ...jobRoutes,
  today: (): Path => '/',
  board: (show: BoardShown = {}): Path => `/schedule${query(show)}`,
  runs: (): Path => '/runs',
  route: (): Path => '/route',
  bench: (area?: AreaId): Path => `/bench${query({ area })}`,
  calculator: (name: string, show: { kept?: string; area?: AreaId } = {}): Path => `/bench/${name}${query(show)}`,
  suppliers: (): Path => '/suppliers',
  coordination: (): Path => '/coordination',
  firm: (): Path => '/firm',
  /** How a telephone comes in. */
  phone: (): Path => '/phone',
  /** How the firm counts and works. */
  settings: (): Path => '/firm/settings',
  /** Who was told what, over all jobs; of one person where they are named. */
  told: (to?: string): Path => `/told${to ? `?to=${encodeURIComponent(to)}` : ''}`,
  /** What every word, mark, step and rule means, at one of them. */
  words: (explained?: Explained): Path => `/words${hash(explained)}`,
  newJob: (): Path => '/jobs/new',
  signIn: (): Path => '/sign-in',
  welcome: (): Path => '/welcome',
  /** One's own password, codes, and where one is signed in. */
  account: (): Path => '/account',
  /** A walk as it is walked; without a walk, what this device can begin with no signal. */
  walk: (walk?: WalkId, area?: AreaId): Path => (walk === undefined ? '/walk' : `/walk/${walk}${query({ area })}`),
} as const;

/** What somebody outside is sent: a page, its pictures, its paper, a calendar. The token is the right to see it. */
export const publicRoutes = {
  page: (token: string): Path => `/s/${token}`,
  picture: (token: string, picture: string, width?: number): Path =>
    `/s/${token}/pictures/${picture}${query({ w: width })}`,
  statement: (token: string): Path => `/s/${token}/statement.pdf`,
  /** A drawing or permit that somebody handed over. */
  pdf: (token: string, pdf: string): Path => `/s/${token}/pdfs/${pdf}`,
  /** A sheet of an area with its drawings, for whoever is asked about it. */
  sheet: (token: string, area: string): Path => `/s/${token}/areas/${area}/sheet.pdf`,
  /** Where a sub hands in a picture. */
  pictures: (token: string): Path => `/s/${token}/pictures`,
  /** What a client keeps at the end. */
  copy: (token: string): Path => `/s/${token}/copy.zip`,
  /** Where somebody of the firm chooses their password. */
  join: (token: string): Path => `/join/${token}`,
  calendar: (token: string): Path => `/calendar/${token}.ics`,
} as const;

/** Where data come from and go to. */
export const api = {
  commands: (): Path => '/api/commands',
  preview: (): Path => '/api/preview',
  changes: (): Path => '/api/changes',
  /** What can be found: in open jobs all of it, with words what closed jobs have by them. */
  find: (q?: string): Path => `/api/find${query({ q })}`,
  session: (): Path => '/api/session',
  /** One's own account: the password, where one is signed in, codes; and a first password by an invitation. */
  password: (): Path => '/api/account/password',
  sessions: (session?: string): Path => `/api/account/sessions${session === undefined ? '' : `/${session}`}`,
  codes: (): Path => '/api/account/codes',
  join: (token: string): Path => `/api/join/${token}`,
  sessionPerson: (): Path => '/api/session/person',
  plan: (): Path => '/api/plan.json',
  pull: (task: TaskId): Path => `/api/plan/pull${query({ task })}`,
  forecast: (job: JobId): Path => `/api/jobs/${job}/forecast`,
  advice: (of: SlipOf): Path => `/api/advice${query(of)}`,
  walkPacks: (): Path => '/api/walk-packs',
  walkPack: (walk: WalkId): Path => `/api/walks/${walk}/pack`,
  /** What was read in what a walk said, and what became of it. */
  walkLabels: (walk: WalkId): Path => `/api/walks/${walk}/labels`,
  pictures: (): Path => '/api/pictures',
  picture: (picture: string, width?: number): Path => `/api/pictures/${picture}${query({ w: width })}`,
  pdfs: (): Path => '/api/pdfs',
  pdf: (pdf: string): Path => `/api/pdfs/${pdf}`,
  recordings: (): Path => '/api/recordings',
  recording: (recording: string): Path => `/api/recordings/${recording}`,
  /** A drawing or sheet of an area: `sheet.pdf`, `wall-1.svg`. */
  areaFile: (area: AreaId, file: string): Path => `/api/areas/${area}/${file}`,
  jobFile: (job: JobId, file: string, version?: number): Path => `/api/jobs/${job}/papers/${file}${query({ version })}`,
  /** Everything of a job in one file; where such files are read in. */
  archive: (job: JobId): Path => `/api/jobs/${job}/archive.zip`,
  link: (link: string): Path => `/api/links/${link}`,
  erasure: (): Path => '/api/erasure',
  archives: (): Path => '/api/archives',
  firmArchive: (): Path => '/api/archives/firm.zip',
  workOrder: (job: JobId, sub: string): Path => `/api/jobs/${job}/papers/work-order.pdf${query({ sub })}`,
} as const;

/** Where a reader fetches a picture: by the link somebody outside was sent, or as one of the firm. */
export const pictureRoute = (link: string | undefined, picture: string, width?: number): Path =>
  link === undefined ? api.picture(picture, width) : publicRoutes.picture(link, picture, width);
