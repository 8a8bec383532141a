import { SETTLED_JOB_TASKS } from '@/core/sequence/rules';
import { INSPECTION_KIND_KEYS } from '@/core/sequence/inspections';
import { LOGISTIC_KINDS, PROPOSAL_KEYS, type ProposalKey } from '@/core/sequence/logistics';
import { array, boolean, number, object, string } from 'yup';
import { command, EVERYBODY, OFFICE } from '../command';
import * as field from '../fields';

const half = (what: string) => field.whole(what, 0, 1).default(0);
const step = () => object({ area: field.id('the area'), phase: field.phase() }).noUnknown();
const task = () => field.line('the piece of work', 160);

/** Fixes the start of a piece of work; refused with what keeps it from there. */
export const setPin = command(
  'pin.set',
  EVERYBODY,
  'plan',
  object({
    task: task(),
    day: field.day('the day'),
    half: half('the half of the day'),
    reason: field.text('the reason', 200),
  }).noUnknown(),
);
/** The days of one trip for what is left over several houses, all of them or none. */
export const pinTrip = command(
  'trip.pin',
  EVERYBODY,
  'plan',
  object({
    pins: array(object({ task: task(), day: field.day('the day'), half: half('the half of the day') }).noUnknown())
      .required('the days are missing')
      .min(1, 'a trip has one piece of work at least')
      .max(60, 'at most sixty pieces of work in one trip'),
    reason: field.text('the reason', 200),
  }).noUnknown(),
);
export const dropPin = command('pin.drop', EVERYBODY, 'plan', object({ task: task() }).noUnknown());

/** A step done in parts, in order; two parts at least, or none for one piece again. */
export const splitStep = command(
  'step.split',
  EVERYBODY,
  'plan',
  object({
    area: field.id('the area'),
    phase: field.phase(),
    parts: array(
      object({ label: field.line('what this part is', 60), halfDays: field.whole('half-days', 1, 400) }).noUnknown(),
    )
      .required('the parts are missing')
      .max(9, 'at most nine parts')
      .test(
        'several',
        'one part is the whole: two at least, or none to join them again',
        (parts) => parts.length !== 1,
      ),
  }).noUnknown(),
);

/** A gate or milestone: all of `before` before any of `after`; `together` joins those after into one visit. */
export const setGate = command(
  'gate.set',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    job: field.id(),
    label: field.line('the name', 60),
    reason: field.text('the reason', 200),
    notBefore: field.optionalDay('the day'),
    before: array(step()).default([]).max(60),
    after: array(step()).default([]).max(60),
    together: boolean().default(false),
  })
    .noUnknown()
    .test('ends', 'a gate needs steps on one side at least', (gate) => gate.before.length + gate.after.length > 0),
);
export const dropGate = command('gate.drop', EVERYBODY, 'plan', object({ id: field.id() }).noUnknown());

/** Steps that are ticked at once at most. */
export const MOST_STEPS = 60;
const ONE_AT_LEAST = 'tick at least one step';
const TOO_MANY = `at most ${MOST_STEPS} steps at once`;

/** Somebody else does them: waited for, not commanded. Without a name they are ours again. */
export const giveToOthers = command(
  'step.others',
  EVERYBODY,
  'plan',
  object({
    steps: array(step()).required('the steps are missing').min(1, ONE_AT_LEAST).max(MOST_STEPS, TOO_MANY),
    who: field.optionalLine('who does it', 60).default(''),
    expectedOn: field.optionalDay('the day they said'),
  }).noUnknown(),
);

/** Several steps of a job are done, as somebody has seen or heard: recorded as on a walk. */
export const tickSteps = command(
  'step.tick',
  EVERYBODY,
  'plan',
  object({
    walk: field.id(),
    job: field.id('the job'),
    steps: array(object({ id: field.id(), area: field.id('the area'), phase: field.phase() }).noUnknown())
      .required('the steps are missing')
      .min(1, ONE_AT_LEAST)
      .max(MOST_STEPS, TOO_MANY),
    /** Who passed what of them has to be passed by somebody. */
    by: field.optionalLine('who passed it', 80).default(''),
  }).noUnknown(),
);

/** Steps that were ticked are not done after all: their records are taken back. */
export const untickSteps = command(
  'step.untick',
  EVERYBODY,
  'plan',
  object({
    walk: field.id(),
    steps: array(object({ id: field.id(), area: field.id('the area'), about: field.id() }).noUnknown())
      .required('the steps are missing')
      .min(1, ONE_AT_LEAST)
      .max(MOST_STEPS, TOO_MANY),
  }).noUnknown(),
);

/** What is asked of anything that has to be there. */
const logisticFields = {
  label: field.line('what has to be there', 80),
  leadDays: field.whole('days it takes', 0, 200),
  place: field.optionalLine('the place', 120).default(''),
  fromHour: field.optionalHour('the first hour').default(''),
  toHour: field
    .optionalHour('the last hour')
    .default('')
    .test('later', 'the last hour is after the first', (to, context) => {
      const { fromHour } = context.parent as { fromHour?: string };
      return !to || !fromHour || to > fromHour;
    }),
  howMuch: field.optionalText('how much of it', 300).default(''),
  contact: field.optionalLine('whom to call', 80).default(''),
  phone: field.phone(),
};
export const addLogistic = command(
  'logistic.add',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    job: field.id(),
    kind: field.oneOf('the kind', LOGISTIC_KINDS),
    area: field.id('the area'),
    phase: field.phase(),
    /** What of the works asked for it; empty where somebody thought of it. */
    proposal: string<ProposalKey | ''>()
      .oneOf(['', ...PROPOSAL_KEYS], 'the works ask for nothing of that name')
      .default(''),
    ...logisticFields,
  }).noUnknown(),
);
export const changeLogistic = command(
  'logistic.change',
  EVERYBODY,
  'plan',
  object({ id: field.id(), version: field.version(), ...logisticFields }).noUnknown(),
);
/** Takes what the works ask for as it is proposed, or says that it is not needed here. */
export const takeLogistics = command(
  'logistics.take',
  EVERYBODY,
  'plan',
  object({
    job: field.id(),
    needed: boolean().default(true),
    taken: array(object({ id: field.id(), proposal: field.oneOf('what is asked for', PROPOSAL_KEYS) }).noUnknown())
      .required('what is asked for is missing')
      .min(1, 'say what of it')
      .max(PROPOSAL_KEYS.length),
  }).noUnknown(),
);
export const settleLogistic = command(
  'logistic.settle',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    state: field.oneOf('how it stands', ['open', 'booked', 'here', 'dropped'] as const),
    bookedOn: field
      .optionalDay('the day it is booked for')
      .when('state', ([state], schema) =>
        state === 'booked' ? schema.required('say for which day it is booked') : schema,
      ),
  }).noUnknown(),
);

/** A number that must be there, refused in the words of who types it. */
const figure = (what: string) =>
  number().typeError(`${what}, must be a number, like 4.5`).required(`${what}, is missing`);
const kinds = () => array(field.oneOf('what is looked at', INSPECTION_KIND_KEYS)).default([]).max(10);
const weekdays = () =>
  array(field.whole('the weekday', 0, 6))
    .required('the days are missing')
    .min(1, 'at least one day of the week')
    .max(7);
export const setOffice = command(
  'office.set',
  OFFICE,
  'plan',
  object({
    id: field.id(),
    version: number().integer().min(0).default(0),
    name: field.line('the name of the office', 60),
    phone: field.phone(),
    email: field.email('its e-mail').default(''),
    phases: array(field.phase()).required('what it inspects is missing').min(1, 'name what it inspects').max(20),
    /** Of what is looked at before walls are closed: which of it; none named is all. */
    kinds: kinds(),
    weekdays: weekdays(),
    noticeDays: field.whole('working days of notice', 0, 60),
    visitsADay: field.whole('visits a day', 1, 20),
  }).noUnknown(),
);
/** Asks the office for the first day it has, or for one that is wished. */
export const bookInspection = command(
  'inspection.book',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    area: field.id('the area'),
    phase: field.phase(),
    wishedOn: field.optionalDay('the wished day'),
    /** What is looked at; all that there is where nothing is named. */
    kinds: kinds(),
    /** Other areas of the job that are looked at on the same visit. */
    also: array(object({ id: field.id(), area: field.id('the area') }).noUnknown())
      .default([])
      .max(60),
  }).noUnknown(),
);
/** The office is sent a page of this visit: when and where, what is there to be seen, pictures and drawings. */
export const showInspection = command(
  'inspection.show',
  EVERYBODY,
  'job',
  object({ id: field.id(), ...field.sending() }).noUnknown(),
);
export const cancelInspection = command(
  'inspection.cancel',
  EVERYBODY,
  'plan',
  object({ id: field.id(), version: field.version() }).noUnknown(),
);
export const passInspection = command(
  'inspection.pass',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    by: field.line('who passed it', 80),
    slip: field.picture(),
    words: field.optionalText('what was said', 400).default(''),
  }).noUnknown(),
);
/** It failed: what has to be put right, by whom and how long; the office is asked to come again. */
export const failInspection = command(
  'inspection.fail',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    version: field.version(),
    by: field.optionalLine('who failed it', 80).default(''),
    slip: field.picture(),
    again: field.id(),
    fixes: array(
      object({
        id: field.id(),
        text: field.line('what is wrong', 200),
        trade: field.trade(),
        halfDays: field.whole('half-days', 1, 60),
      }).noUnknown(),
    )
      .required('what was wrong is missing')
      .min(1, 'say at least one thing that was wrong')
      .max(20),
  }).noUnknown(),
);

export const setPlant = command(
  'plant.set',
  OFFICE,
  'plan',
  object({
    id: field.id(),
    version: number().integer().min(0).default(0),
    name: field.line('the name', 60),
    units: field.whole('how many there are', 1, 50),
    phases: array(field.phase()).required().max(30).default([]),
  }).noUnknown(),
);
export const breakPlant = command(
  'plant.break',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    plant: field.id(),
    firstDay: field.day('the first day'),
    lastDay: field
      .day('the last day')
      .test(
        'later',
        'the last day must not be before the first',
        (last, { parent }) => last >= (parent as { firstDay: string }).firstDay,
      ),
    units: field.whole('how many are missing', 1, 50),
    reason: field.line('what happened', 120),
  }).noUnknown(),
);
export const mendPlant = command('plant.mend', EVERYBODY, 'plan', object({ id: field.id() }).noUnknown());

/** What the outlook says of half-days, as the weather desk or a person has it; the newest word counts. */
export const sayOutlook = command(
  'outlook.say',
  [...EVERYBODY, 'desk'],
  'plan',
  object({
    halves: array(
      object({
        day: field.day('the day'),
        half: half('the half of the day'),
        rain: figure('rain, in mm').min(0, 'rain is not under 0').max(500, 'over 500 mm cannot be meant'),
        wind: figure('wind, in m/s').min(0, 'wind is not under 0').max(100, 'over 100 m/s cannot be meant'),
        low: figure('the lowest temperature, in °C')
          .min(-60, 'under −60 °C cannot be meant')
          .max(60, 'over 60 °C cannot be meant'),
      }).noUnknown(),
    )
      .required()
      .min(1)
      .max(40),
  }).noUnknown(),
);
export const setNormals = command(
  'normals.set',
  OFFICE,
  'firm',
  object({
    months: array(
      object({
        month: field.whole('the month', 1, 12),
        wet: number().required().min(0).max(31),
        windy: number().required().min(0).max(31),
        frosty: number().required().min(0).max(31),
      }).noUnknown(),
    )
      .required()
      .min(1)
      .max(12),
  }).noUnknown(),
);

/** The busy half-days of a sub's own calendar, in place of those read before; none clears it. */
export const readBusy = command(
  'sub.busy',
  OFFICE,
  'plan',
  object({
    sub: field.id(),
    name: field.optionalLine('the name of the calendar', 120).default(''),
    events: field.whole('events', 0, 100_000).default(0),
    halves: array(
      object({
        day: field.day('the day'),
        half: half('the half of the day'),
        words: field.optionalLine('what it is', 120).default(''),
      }).noUnknown(),
    )
      .required()
      .max(2000, 'more than 2,000 busy half-days are more than a plan looks ahead'),
  }).noUnknown(),
);

export const keepBaseline = command(
  'baseline.keep',
  EVERYBODY,
  'job',
  object({ id: field.id(), job: field.id(), name: field.line('the name', 60) }).noUnknown(),
);
export const openFeed = command(
  'feed.open',
  OFFICE,
  'firm',
  object({
    id: field.id(),
    kind: field.oneOf('the kind', ['job', 'sub', 'person'] as const),
    target: field.id('the job, sub or person'),
  }).noUnknown(),
);
export const closeFeed = command('feed.close', OFFICE, 'firm', object({ id: field.id() }).noUnknown());

/** Looks longer for a better plan, in the background. */
export const searchPlan = command(
  'plan.search',
  OFFICE,
  'firm',
  object({
    schedules: field.whole('schedules to try', 1, 100_000),
    seed: field.whole('the seed', 0, 2_000_000_000).default(1),
  }).noUnknown(),
);
export const stopSearch = command('plan.search-stop', OFFICE, 'firm', object({}).noUnknown());
/** Keeps the better plan that a longer look found; refused once the plan has changed since. */
export const takePlan = command('plan.take', OFFICE, 'firm', object({ version: field.version() }).noUnknown());
export const weighGoals = command(
  'goals.weigh',
  OFFICE,
  'plan',
  object({
    tripWeight: field.whole('what a trip weighs', 0, 100),
    moveWeight: field.whole('what a day’s move of a visit weighs', 0, 100),
    frozenDays: field
      .whole('working days that stay as they are', 0, 1_000)
      .max(10, 'at most 10 working days: what lies beyond is planned anew, or no slip could ever be made good'),
    jobs: array(object({ job: field.id(), weight: field.whole('the weight of a job', 1, 10) }).noUnknown())
      .default([])
      .max(200),
  }).noUnknown(),
);

/** Work of the whole job that no walk sees is done, by whom; without a name it is open again. */
export const settleJobTask = command(
  'job-task.settle',
  EVERYBODY,
  'plan',
  object({
    job: field.id(),
    task: field.oneOf('the work', SETTLED_JOB_TASKS),
    by: field.optionalLine('who did it or passed it', 80).default(''),
    day: field.optionalDay('the day'),
  }).noUnknown(),
);

/** Opens what cannot be closed yet, all the same: a decision with its reason. */
export const openAnyway = command(
  'opening.allow',
  EVERYBODY,
  'plan',
  object({
    id: field.id(),
    area: field.id('the area'),
    phase: field.phase(),
    reason: field.text('why it is opened all the same', 300),
  }).noUnknown(),
);
