import { phaseFacts, type Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';

/** Words of the trade, in the forms heard on site. A list is a pattern without its bounds. */

/** How the steps of a track are called when somebody says how far they are; the first that fits counts. */
const PHASE_NAMES: readonly (readonly [Phase, string])[] = [
  ['protect', 'protection|floor protection|dust walls?|dust sheets'],
  ['tear-out', 'tear ?out|demo|demolition|strip ?out|rip ?out|gutting'],
  ['insulation', 'insulation|insulating|batts|spray foam'],
  ['waterproofing', 'waterproofing|tanking|waterproof'],
  ['tiling', 'floor tiles?|wall tiles?|tiles?|tiling|tile work|backsplash|splashback|grout|grouting'],
  ['duct-rough', 'ducts?|ductwork|ducting|duct runs?|vent runs?'],
  ['gas-rough', 'gas pipes?|gas line|gas piping'],
  [
    'wiring-rough',
    'wiring|rewire|rewiring|wires|electrics|electrical rough ?in|rough electrical|rough electric|electrical|' +
      'cabling|cables|pulling wire',
  ],
  [
    'plumbing-rough',
    'plumbing rough ?in|rough plumbing|plumbing|pipework|piping|pipes|water lines|supply lines|waste lines?',
  ],
  ['support', 'props|propping|needles|shoring'],
  ['structure', 'beams?|steels?|steelwork|lintels?|girders?'],
  ['masonry', 'brickwork|blockwork|masonry'],
  ['framing', 'framing|studwork|stud work|studs|stud walls?|partitions?|joists'],
  ['tape', 'board and tape|taping|tape|mudding|jointing|joints'],
  ['board', 'boarding|boards?|drywall|plasterboard|wallboard|gypsum'],
  ['plaster', 'plastering|plaster|skim|skimming|render|rendering'],
  ['first-coats', 'primer|priming|undercoat|first coats?|prime coat'],
  ['final-coat', 'final coat|last coat|top ?coat|second coat|finish coat|painting|paint'],
  ['floor-protect', 'floor covering'],
  ['flooring', 'flooring|floor ?boards|floor|carpet|planks|parquet|vinyl'],
  ['template', 'template|templating'],
  ['worktops', 'worktops?|counters?|countertops?|tops'],
  ['cabinets', 'cabinets|cabinet boxes|cupboards|boxes|kitchen units|base units|wall units|units|built ?ins?'],
  ['trim', 'door trim|window trim|trim|baseboards?|skirtings?|casings?|architraves?|mouldings?|moldings?|crown'],
  ['plumbing-finish', 'taps|basins?|plumbing fixtures|fixtures'],
  ['wiring-finish', 'sockets|switches|outlets|light fittings|lights|second fix electrics'],
  ['duct-finish', 'grilles|registers'],
  ['glass', 'shower screen|shower glass|shower doors?|hardware|handles'],
  ['rails', 'handrails?|railings?|balustrades?|bannisters?'],
  ['strip', 'old cladding'],
  ['sheathing', 'sheathing'],
  ['barrier', 'house ?wrap|weather barrier|building paper|membrane|flashings?'],
  ['openings', 'windows'],
  ['cladding', 'cladding|siding|shingles|weatherboards'],
  ['seal', 'pointing|repointing|caulking|caulk|sealing'],
  ['underlay', 'underlay|roofing felt'],
  ['covering', 'slates|slating|roof tiles|roofing'],
  ['gutters', 'gutters?|guttering|downpipes|downspouts'],
  ['access', 'scaffold|scaffolding'],
  ['excavate', 'trench|trenches|digging|dig|excavation|footings?'],
  ['pipe', 'drain pipe|drains?|drain run'],
  ['pour', 'pour|concrete|slab'],
  ['backfill', 'backfill|backfilling'],
  ['clean', 'cleaning|clean up|cleanup'],
  ['snags', 'snags|snagging|punch list|touch ups?'],
];

export const phasesSaid: readonly { phase: Phase; pattern: RegExp }[] = PHASE_NAMES.map(([phase, names]) => ({
  phase,
  pattern: new RegExp(`^(?:${names}) `),
}));
/** Whether any step is named in a text: most sentences name none. */
export const ANY_PHASE = new RegExp(` (?:${PHASE_NAMES.map(([, names]) => names).join('|')}) `);
/** First words of such names: `tear ?out` may begin with tear or tearout, `ducts?` with duct or ducts. */
const FIRST_WORDS = new Set(
  PHASE_NAMES.flatMap(([, names]) =>
    names.split('|').flatMap((name) =>
      [name.replace(' ?', ''), name].flatMap((form) => {
        const word = form.split(' ')[0] ?? '';
        return [word.replace(/.\?/g, ''), word.replace(/\?/g, '')];
      }),
    ),
  ),
);
export const mayNamePhase = (word: string): boolean => FIRST_WORDS.has(word);
const TRADE_PEOPLE: readonly (readonly [Trade, string])[] = [
  ['plumbing', 'plumbers?|plumbing'],
  ['wiring', 'electricians?|sparks?|sparky|electrical'],
  ['carpentry', 'carpenters?|framers?|chippy|joiners?|carpentry|framing'],
  ['paint', 'painters?|decorators?|painting'],
  ['tile', 'tilers?|tile (?:guys?|crew|setter)|tiling'],
  ['structure', 'masons?|bricklayers?|steel (?:guys?|crew)'],
  ['roofing', 'roofers?|cladders?|siders?'],
  ['plaster', 'plasterers?'],
  ['board', 'board(?:er|ers| crew)|drywallers?|tapers?'],
  ['flooring', 'floor (?:guys?|crew|layers?)|floorers?'],
  ['cabinets', 'cabinet (?:guys?|makers?|crew|fitters?)|kitchen fitters?'],
  ['stone', 'stone (?:guys?|cutters?|crew)|counter (?:guys?|crew)'],
  ['air', 'duct (?:guys?|crew)|heating (?:guys?|crew|engineer)|tinners?'],
  ['gas', 'gas (?:guy|fitter|man)'],
  ['glass', 'glaziers?|window (?:guys?|crew)|glass (?:guys?|crew)'],
  ['insulation', 'insulators?|insulation (?:guys?|crew)'],
  ['ground', 'diggers?|ground ?workers?|concrete (?:guys?|crew)|excavator'],
  ['metal', 'metal ?workers?|welders?|blacksmith'],
  ['cleaning', 'cleaners?'],
  ['finish', 'finish (?:guys?|carpenters?|crew)|trim (?:guys?|carpenters?|crew)'],
  ['tear-out', 'tear ?out crew|demo crew'],
];
const PEOPLE = TRADE_PEOPLE.map(([trade, names]) => [trade, new RegExp(` (?:${names}) `)] as const);

/** What tells whose work something is, where no tradesperson is named. */
const TRADE_THINGS: readonly (readonly [Trade, RegExp])[] = [
  [
    'plumbing',
    / (?:pipes?|valves?|drains?|traps?|taps?|toilet|waste|stack|branch(?:es)?|shower|basin|supply|tub|sink) /,
  ],
  [
    'wiring',
    / (?:boxes|box|wires?|cables?|sockets?|switch(?:es)?|circuits?|lights?|panel|outlets?|thermostat|conduit) /,
  ],
  ['air', / (?:ducts?|vents?|hood|fan|grilles?|damper|register) /],
  ['cabinets', / (?:cabinets?|drawers?|cupboards?|vanity|units?) /],
  [
    'carpentry',
    / (?:hangers?|backing|blocking|blocks?|noggins?|studs?|joists?|framing|plates?|sill|header|stair|strapping|nailers?) /,
  ],
  ['tile', / (?:tiles?|grout|niche) /],
  ['board', / (?:board|drywall|plasterboard|joints?|corner bead|tape) /],
  ['insulation', / (?:insulation|batts?|foam|vapou?r) /],
  ['paint', / (?:paint|coats?|primer|caulk|touch) /],
  ['roofing', / (?:slates?|flashings?|gutters?|cladding|siding|felt|downpipe) /],
  ['glass', / (?:glass|mirror|panes?|window|windows) /],
  ['flooring', / (?:floor|flooring|threshold|planks?) /],
  ['finish', / (?:doors?|trim|casings?|skirting|baseboards?|handles?|hinges?|shelf|shelves|rods?|hooks?) /],
  ['ground', / (?:trench|slab|concrete|backfill|gravel) /],
  ['metal', / (?:rails?|balustrade) /],
  ['cleaning', / (?:dust|sweep|clean|rubbish|debris) /],
];

/** Whose work a text speaks of: the person named, else the things it names. */
export function tradeSaid(text: string): Trade | undefined {
  const padded = ` ${text.trim()} `;
  return (
    PEOPLE.find(([, pattern]) => pattern.test(padded))?.[0] ??
    TRADE_THINGS.find(([, pattern]) => pattern.test(padded))?.[0]
  );
}

/** The step of a track that a text names by its own label or in words of the site. */
export const phaseSaid = (text: string): Phase | undefined => {
  const padded = `${text.trim()} `;
  return phasesSaid.find(({ pattern, phase }) => pattern.test(padded) || padded === `${phaseFacts(phase).label} `)
    ?.phase;
};

export const COLOURS =
  'white|off white|black|grey|gray|blue|green|sage|red|cream|ivory|beige|navy|charcoal|oatmeal|mustard|teal|' +
  'terracotta|brown|tan|yellow|ochre|silver|gold|bronze|sand|stone|chalk|chalky|slate grey|olive|pink|plum|taupe|' +
  'linen|clay|graphite|anthracite|buff';
export const MATERIALS =
  'oak|walnut|maple|birch|ash|larch|cedar|pine|fir|spruce|cherry|beech|teak|elm|ply|plywood|bamboo|marble|' +
  'granite|quartz|limestone|sandstone|slate|soapstone|travertine|terrazzo|porcelain|ceramic|fireclay|cast iron|' +
  'steel|stainless|stainless steel|copper|brass|zinc|aluminium|aluminum|nickel|chrome|lime|limewash|linoleum|' +
  'lino|cork|vinyl|laminate|wool|concrete|glass|clay|hemp|plastic|timber|solid surface|butcher block|hardwood|' +
  'softwood|encaustic|mosaic|zellige';
export const FINISHES =
  'matt|matte|satin|gloss|eggshell|flat|brushed|polished|honed|oiled|waxed|stained|unstained|lacquered|limed|' +
  'glazed|unglazed|tumbled|natural|raw|galvanised|galvanized|powder coated|fluted|ribbed|shaker|plain|bevelled|' +
  'beveled';

export const DAYS_SAID =
  'mon(?:day)?|tues(?:day)?|wednes(?:day)?|thurs(?:day)?|fri(?:day)?|satur(?:day)?|sun(?:day)?|today|tomorrow|' +
  'tonight|next week|this week|this afternoon|this morning|first thing|the week after|next month|a week from|in ' +
  'the morning';
