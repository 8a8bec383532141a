import type { LargePiece } from '../fit/way-in';
import type { AreaId } from '../ids';
import type { Measures } from '../layout/measures';
import { bins } from '../quantities/bins';
import type { AreaKind } from '../sites/area';
import { sum } from '../units/rounding';
import { PHASE_KEYS, phaseFacts, type Phase } from './phases';
import { extentOf, isDrawn, looseVolume, pouredBy, wasteFrom, wasteOf, type Extent, type Waste } from './waste';

interface LogisticFacts {
  /** What it is, as one says it. */
  label: string;
  /** Why the work waits for it. */
  reason: string;
  /** Days it usually takes from asking; the firm's own figure is typed over it. */
  leadDays: number;
}

/** What has to stand, lie, be allowed or be told before work begins. */
export const LOGISTIC_FACTS = {
  bin: { label: 'bin', reason: 'what is torn out has to go somewhere', leadDays: 2 },
  spoil: { label: 'place for spoil', reason: 'what is dug has to lie somewhere, and not at the edge', leadDays: 1 },
  scaffold: { label: 'scaffold', reason: 'nobody works at a height without it', leadDays: 14 },
  crane: { label: 'crane', reason: 'nobody carries it in by hand', leadDays: 14 },
  pump: { label: 'concrete pump', reason: 'concrete waits for nobody', leadDays: 5 },
  parking: { label: 'permit to park', reason: 'the lorry may not stand there without it', leadDays: 10 },
  drop: { label: 'place to set down', reason: 'what the lorry brings has to be set down somewhere', leadDays: 2 },
  neighbours: {
    label: 'word to the neighbours',
    reason: 'they have to be told before it is loud or in their way',
    leadDays: 7,
  },
  other: { label: 'something else', reason: 'it has to be there first', leadDays: 7 },
} as const satisfies Record<string, LogisticFacts>;
export type LogisticKind = keyof typeof LOGISTIC_FACTS;
export const LOGISTIC_KINDS = Object.keys(LOGISTIC_FACTS) as LogisticKind[];

/** How much of it there is. Volumes in m³, areas in m², mass in kg, lengths in mm. `drawn`: every area it is of is. */
export type LogisticMeasure =
  | { kind: 'waste'; bins: number; binVolume: number; volume: number; mass: number; by: string; drawn: boolean }
  | { kind: 'spoil'; volume: number; drawn: boolean }
  /** `kept`: by results that were kept; `carry` from where the truck stands, where the way in was measured. */
  | { kind: 'concrete'; volume: number; kept: boolean; carry: number | null }
  | { kind: 'surface'; area: number; drawn: boolean }
  | { kind: 'pieces'; pieces: { what: string; piece: LargePiece }[] }
  /** Nobody has said how large it is. */
  | { kind: 'unmeasured' };

export interface Proposal {
  /** The same for as long as the job asks for it. */
  key: ProposalKey;
  kind: LogisticKind;
  label: string;
  /** The first step that needs it. */
  area: AreaId;
  phase: Phase;
  leadDays: number;
  measure: LogisticMeasure | null;
}

/** An area whose works may ask for something. */
export interface AskingArea {
  id: AreaId;
  kind: AreaKind;
  /** Steps nobody has begun, and those that were begun or are done. */
  ahead: readonly Phase[];
  begun: readonly Phase[];
  measures: Measures;
  /** 1 is an ordinary area. */
  size: number;
  /** Concrete that kept results of the area order, in m³. */
  concrete: number;
  /** Whether anything large was measured for it. */
  measured: boolean;
  /** Of that what does not come in by hand, with the step it is for. */
  lifted: readonly { what: string; piece: LargePiece; phase: Phase }[];
  /** From where a truck stands, in mm; null where nobody has measured. */
  carry: number | null;
}

/** A bin of the usual size for a lorry in a street. m³, kg */
const BIN = { binVolume: 6, binMass: 6000 };
/** Less is mixed by hand. m³ */
const TRUCK_FROM = 0.5;

interface Spec {
  kind: LogisticKind;
  label: string;
  phases: readonly Phase[];
  /** Where it is needed, if not at all of its phases. */
  places?: (areas: readonly AskingArea[]) => Place[];
  /** Undefined where so little is needed that nothing is asked for. */
  measure?: (places: readonly Place[]) => LogisticMeasure | null | undefined;
}

/** A step of an area that asks for something. */
interface Place {
  area: AskingArea;
  phase: Phase;
}

const wasteAt = ({ area, phase }: Place): Waste[] => wasteOf(phase, extentOf(area.measures, area.size), area.kind);
const wasteIsDrawn = ({ area, phase }: Place): boolean => isDrawn(area.measures, wasteFrom(phase));
const placesOf = (areas: readonly AskingArea[], phases: readonly Phase[]): Place[] =>
  areas.flatMap((area) => area.ahead.flatMap((phase) => (phases.includes(phase) ? [{ area, phase }] : [])));

function binsFor(places: readonly Place[]): LogisticMeasure | null {
  const items = places.flatMap(wasteAt);
  const filled = bins.run({ items, ...BIN });
  if (!filled.ok) return null;
  const said = filled.value as { bins: number; volume: number; mass: number; governs: string };
  return {
    ...{
      kind: 'waste',
      bins: said.bins,
      binVolume: BIN.binVolume,
      volume: said.volume,
      mass: said.mass,
      by: said.governs,
    },
    drawn: places.every(wasteIsDrawn),
  };
}

const spoilOf = (places: readonly Place[]): LogisticMeasure => ({
  kind: 'spoil',
  volume: looseVolume(places.flatMap(wasteAt)),
  drawn: places.every(wasteIsDrawn),
});

/** Of an area with kept results these say how much; else what its steps usually take. */
function concreteFor(places: readonly Place[]): LogisticMeasure | undefined {
  const areas = new Map(places.map(({ area }) => [area.id, area]));
  const volume = sum(
    [...areas.values()].map((area) =>
      area.concrete > 0
        ? area.concrete
        : sum(
            places
              .filter((place) => place.area === area)
              .map(({ phase }) => pouredBy(phase, extentOf(area.measures, area.size))),
          ),
    ),
  );
  const carries = [...areas.values()].flatMap(({ carry }) => carry ?? []);
  return volume < TRUCK_FROM
    ? undefined
    : {
        ...{ kind: 'concrete', volume, kept: [...areas.values()].every(({ concrete }) => concrete > 0) },
        carry: carries.length > 0 ? Math.max(...carries) : null,
      };
}

/** The sum of these sizes of the areas. m² */
const surfaceOf =
  (...of: (keyof Extent)[]) =>
  (places: readonly Place[]): LogisticMeasure => ({
    kind: 'surface',
    area: sum(
      places.map(({ area }) => {
        const extent = extentOf(area.measures, area.size);
        return sum(of.map((size) => extent[size]));
      }),
    ),
    drawn: places.every(({ area }) => isDrawn(area.measures, of)),
  });

const piecesOf = (places: readonly Place[]): LogisticMeasure | null => {
  const pieces = [...new Set(places.map(({ area }) => area))].flatMap(({ lifted }) =>
    lifted.map(({ what, piece }) => ({ what, piece })),
  );
  return pieces.length > 0 ? { kind: 'pieces', pieces } : null;
};

const LOUD = PHASE_KEYS.filter((phase) => phaseFacts(phase).loud);

const SPECS = {
  'bin-inside': {
    kind: 'bin',
    label: 'Bin for what is torn out',
    phases: ['tear-out', 'wall-out', 'stair-out'],
    measure: binsFor,
  },
  'bin-rubble': { kind: 'bin', label: 'Bin for rubble', phases: ['break-out', 'wall-cut'], measure: binsFor },
  'bin-outside': {
    kind: 'bin',
    label: 'Bin for what comes off outside',
    phases: ['strip', 'roof-strip', 'knock-down'],
    measure: binsFor,
  },
  spoil: { kind: 'spoil', label: 'Place for what is dug', phases: ['excavate', 'well-dig', 'pit'], measure: spoilOf },
  scaffold: { kind: 'scaffold', label: 'Scaffold', phases: ['access'], measure: surfaceOf('face') },
  pump: {
    kind: 'pump',
    label: 'Concrete truck and pump',
    phases: ['floor-pour', 'footing-pour', 'pour'],
    measure: concreteFor,
  },
  // Panes of a roof, and what was measured and does not come in by hand.
  crane: {
    kind: 'crane',
    label: 'Crane or hoist',
    phases: ['glazing'],
    places: (areas) => [
      ...placesOf(areas, ['glazing']),
      ...areas.flatMap((area) => area.lifted.map(({ phase }) => ({ area, phase }))),
    ],
    measure: piecesOf,
  },
  beam: {
    kind: 'crane',
    label: 'Hoist or people for the beam',
    phases: ['structure'],
    places: (areas) =>
      placesOf(
        areas.filter(({ measured }) => !measured),
        ['structure'],
      ),
    measure: () => ({ kind: 'unmeasured' }),
  },
  'drop-timber': { kind: 'drop', label: 'Place to set down the timber', phases: ['framing', 'deck-frame'] },
  'drop-boards': {
    kind: 'drop',
    label: 'Place to set down the boards',
    phases: ['board'],
    measure: surfaceOf('floor', 'walls'),
  },
  'drop-blocks': { kind: 'drop', label: 'Place to set down blocks and sand', phases: ['walling', 'masonry'] },
  'drop-cladding': {
    kind: 'drop',
    label: 'Place to set down the cladding',
    phases: ['cladding'],
    measure: surfaceOf('face'),
  },
  'drop-covering': {
    kind: 'drop',
    label: 'Place to set down the roof covering',
    phases: ['covering'],
    measure: surfaceOf('slope'),
  },
  'drop-cabinets': { kind: 'drop', label: 'Place to set down the cabinets', phases: ['cabinets'] },
  neighbours: { kind: 'neighbours', label: 'Word to the neighbours before it is loud', phases: LOUD },
} as const satisfies Record<string, Spec>;
export type ProposalKey = keyof typeof SPECS | 'parking';
export const PROPOSAL_KEYS = [...Object.keys(SPECS), 'parking'] as ProposalKey[];

/** What stands in the street and needs leave to. */
const IN_THE_STREET: readonly LogisticKind[] = ['bin', 'scaffold', 'crane', 'pump'];

/**
 * What the works of a job ask for: the first step that needs it, how much of it there is, and how long it usually takes.
 * Once work of a kind has begun, what it needs is taken to be there; what somebody has asked for or answered is not
 * proposed again.
 * @param there kinds with their steps that were asked for by hand @param answered keys that were taken or not needed
 * @param startOf when a step begins, in the order of which the first is taken
 */
export function proposeLogistics(
  areas: readonly AskingArea[],
  there: readonly { kind: LogisticKind; phase: Phase }[],
  answered: ReadonlySet<string>,
  startOf: (area: AreaId, phase: Phase) => number,
): Proposal[] {
  const asked = (Object.entries(SPECS) as [keyof typeof SPECS, Spec][]).flatMap(([key, spec]): Proposal[] => {
    const { kind, label, phases } = spec;
    const isBegun = areas.some(({ begun }) => phases.some((phase) => begun.includes(phase)));
    const places = isBegun ? [] : (spec.places ?? ((all) => placesOf(all, phases)))(areas);
    const place = firstOf(places, ({ area, phase }) => startOf(area.id, phase));
    const measure = spec.measure ? spec.measure(places) : null;
    if (!place || measure === undefined) return [];
    const { leadDays } = LOGISTIC_FACTS[kind];
    return [{ key, kind, label, area: place.area.id, phase: place.phase, leadDays, measure }];
  });
  // Whoever has the bin already still needs leave for it to stand there.
  const street = firstOf(
    asked.filter(({ kind }) => IN_THE_STREET.includes(kind)),
    ({ area, phase }) => startOf(area, phase),
  );
  const parking: Proposal[] = street
    ? [{ ...street, ...PARKING, leadDays: LOGISTIC_FACTS.parking.leadDays, measure: null }]
    : [];
  const isThere = ({ key, kind }: Proposal): boolean =>
    there.some((other) => other.kind === kind && (key === 'parking' || isFor(key, other.phase)));
  return [...asked, ...parking]
    .filter((proposal) => !answered.has(proposal.key) && !isThere(proposal))
    .sort((a, b) => startOf(a.area, a.phase) - startOf(b.area, b.phase));
}

const isFor = (key: keyof typeof SPECS, phase: Phase): boolean =>
  (SPECS[key].phases as readonly Phase[]).includes(phase);

const PARKING = { key: 'parking', kind: 'parking', label: 'Permit to stand in the street' } as const;

const firstOf = <Item>(items: readonly Item[], at: (item: Item) => number): Item | undefined =>
  items.reduce<Item | undefined>((best, item) => (best !== undefined && at(best) <= at(item) ? best : item), undefined);
