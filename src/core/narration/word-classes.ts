/**
 * What a word is, for somebody who hears a builder talk: a short list of classes, each with its words in the forms heard
 * on site. A word may be of several; the first class it stands in is the one phrases are built of. Words of no list are
 * told by their ending. What the classes mean for a draft is learnt (`training/`), not written here.
 */
const CLASSES = {
  // How a clause is built
  be: "is are am 's be been being isn ain",
  was: 'was were',
  have: "has have had having 've hasna",
  do: 'do does did',
  not: 'not never no nobody none nothing neither nor nowhere without naebody nae nowt cannae cannot hardly',
  will: 'will shall',
  would: 'would could should might may must ought',
  can: 'can',
  going: 'going gonna',
  got: 'got gotta gets get getting',
  need: 'need needs want wants wanting needing require requires required',
  i: "i we us me my our i'm myself ourselves",
  you: "you your yours ye y'all yourself",
  it: "it that this these those them they its itself they're un",
  person: 'he she him her his hers their theirs himself herself',
  the: 'the a an',
  some: 'some any all both every each half most another other more few several lot bit couple pair rest lots plenty',
  of: 'of',
  in:
    'in on up down out over off through into onto under below above behind beside between by at from with ' +
    'along across round around against near inside outside past within underneath beneath beyond doon aff',
  to: 'to',
  for: 'for',
  and: 'and or but so because though although plus then',
  if: 'if unless whether otherwise depending depends should else',
  till: 'till until before once after when while whenever til',
  which: 'which who what where how why whose whichever',
  there: 'there here',
  yet: 'yet still already',
  just: 'just only barely',
  nearly:
    'nearly almost practically basically mostly about around roughly maybe say virtually substantially approximately',
  now: 'now currently presently',
  let: 'let lets make makes making',
  ask: 'please kindly',
  // How much, how long, when
  number:
    'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen ' +
    'nineteen twenty thirty forty fifty sixty seventy eighty ninety hundred thousand dozen zero oh',
  part: 'half halves third thirds quarter quarters fifth eighth eighths sixteenth sixteenths halfway tenth',
  percent: 'percent per cent %',
  length:
    'inch inches foot feet ft mm mil mill millimetre millimetres millimeter millimeters centimetre centimetres cm metre ' +
    'metres meter meters yard yards',
  size:
    'wide high deep long tall width height depth length thick square clear opening gap headroom clearance ' +
    'reveal measure measures size centres centers centre center diameter span rise',
  period: 'day days week weeks fortnight month months year years hour hours minute minutes working',
  date:
    'monday tuesday wednesday thursday friday saturday sunday mondays tuesdays wednesdays thursdays fridays saturdays ' +
    'sundays weekend weekends today tomorrow tonight yesterday morning afternoon evening night noon midnight january ' +
    'february march april june july august september october november december spring summer autumn winter arvo ' +
    'teatime lunch lunchtime',
  ordinal:
    'first second fourth sixth seventh ninth eleventh twelfth thirteenth fourteenth fifteenth sixteenth ' +
    'seventeenth eighteenth nineteenth twentieth thirtieth',
  early: 'late later early earlier soon next last again ago',
  // Who
  client:
    'client clients owner owners customer customers homeowner homeowners landlord landlady couple husband wife missus ' +
    'mister mr mrs miss ms lady lad himself tenant committee trustees buyer buyers reverend',
  household:
    'kid kids baby babies child children toddler wean weans grandmother grandma granny grandad grandfather mother ' +
    'father mum mom dad son daughter sister brother neighbour neighbor neighbours neighbors tenants lodger guests family ' +
    'families folk folks people residents students pupils staff patients shoppers congregation visitors dog dogs cat ' +
    'cats horse horses chickens hens lambs cattle nurse postman fish puppy rabbit',
  next: 'door upstairs downstairs',
  official:
    'inspector inspectors engineer engineers surveyor surveyors council city county planning planner authority officer ' +
    'marshal utility utilities hydro architect conservation warrant association society board adjuster sewer ' +
    'historic heritage committee',
  test:
    'inspection inspections inspected permit permits consent approval approved certificate certified cert survey ' +
    'surveyed test tests tested testing sign signed signs signature sticker tag licence license locates locate final ' +
    'passed pass passes fail failed fails calcs letter notice granted refused commissioned witnessed',
  trade:
    'electrician electricians sparky sparks spark plumber plumbers carpenter carpenters chippy joiner joiners framer ' +
    'framers painter painters decorator tiler tilers mason masons bricklayer brickie roofer roofers slater plasterer ' +
    'plasterers drywaller drywallers taper tapers glazier insulator insulators fitter fitters crew guy guys fella ' +
    'fellow bloke man men lads boys gang installer installers contractor subs scaffolder scaffolders welder digger ' +
    'groundworker supplier vendor shop mill factory depot plant quarry foreman sweep supervisor',
  // Words of doing
  done: 'done finished complete completed through wrapped ready signed-off topped set cured',
  worked:
    'framed boarded taped primed painted tiled grouted insulated wired rewired plumbed plastered skimmed stripped gutted ' +
    'dug poured tanked waterproofed laid hung fitted installed built run pulled nailed screwed fixed glued sanded fastened ' +
    'mounted fixed soldered connected hooked plumbed bolted slated felted clad pointed repointed sealed caulked ' +
    'siliconed welded cast backfilled tied cut bedded levelled leveled trimmed cased glazed set put up assembled ' +
    'varnished oiled waxed polished rendered bricked rubbed filled patched cleaned swept removed replaced repaired ' +
    'drilled stapled clipped strapped sleeved boxed threaded landed commissioned laid templated measured stapled hoisted',
  work:
    'fit lay hang paint tile grout board tape prime insulate wire rewire plumb plaster skim strip gut dig pour tank run ' +
    'pull nail screw fix glue sand mount install build frame connect hook bolt slate clad point repoint seal caulk weld ' +
    'patch fill clean sweep replace renew repair swap change move shift lift raise lower cut trim shim level plane scrape ' +
    'adjust reset refit supply add extend reline rebuild knock form bump drop open widen finish refinish bed drill notch ' +
    'scribe pack cap bleed polish stain render brick relay reseal tighten ease sister price provide core jack reroute do ' +
    'redo wedge test label wrap dress make put take bring come go order get leave',
  working:
    'framing boarding taping priming painting tiling grouting insulating wiring rewiring plumbing plastering skimming ' +
    'stripping digging pouring tanking hanging fitting fixing laying adding replacing taking putting moving lifting ' +
    'changing opening cutting knocking running pulling building sanding adjusting shimming filling sealing caulking ' +
    'repairing refixing rehanging packing cleaning labelling levelling pointing doing easing planing boxing wrapping ' +
    'turning shifting swapping connecting bedding wedging clipping capping scribing screwing nailing supplying',
  keep:
    'keep keeps kept keeping stay stays staying stayed remain remains leave leaves leaving left retained ' +
    'retain maintained stopping',
  live: 'running live on connected working going plugged powered hot use service active usable',
  remove:
    'remove removed strip rip ripped tear torn demolish demolished goes gone comes coming dump skip bin dumpster demo ' +
    'gutting knocked take taken takes out',
  back: 'back again reinstated reused reuse rehung refixed reinstalled relaid reinstall remounted returned reset',
  cover:
    'cover covers covered covering wrap wrapped protect protected protection mask masked sheet sheeted sheets plastic ' +
    'polythene poly hardboard cardboard blanket blankets paper film tarp fleece sacking tented pad padded crated boards ' +
    'drop fenced fence ply plywood',
  think:
    'think guess guessing assume assuming assumed assumption believe suppose supposing reckon figure figuring presume ' +
    'presuming presumably probably likely suspect expect bet betting hope hoping hopefully supposedly perhaps possibly ' +
    'sure imagine doubt allowed seems looks look looking counting trusting taking',
  know: 'know knows known knew see seen saw tell told looked checked opened find knowing',
  wish: 'wants asked asks prefers prefer rather like likes after requested fancy',
  decide:
    'decided decides decision agreed agree settled choose chose choice minds mind changed chosen instead opted ' +
    'scrap scrapped cancel cancelled drop dropped canned call calls instructed omitted swapped',
  choose: 'picked pick picking chosen chose selected selection finalised settled colour color finish sample samples',
  say: 'says said say saying told tells rang ring called phoned texted emailed wrote telling talked spoke',
  order:
    'ordered order delivered delivery deliveries sent shipped ship arrived arrives arriving came showed lead due ' +
    'backordered shipment lorry truck van carrier ordered loaded delivering turned',
  lacking: 'missing short shy lacks lacking absent without light',
  amiss:
    'wrong incorrect broken cracked crack chipped chip dent dented scratched scratch damaged split bent smashed crushed ' +
    'warped snapped late delayed slipped behind pushed held backed discontinued',
  rotten:
    'rot rotten rotted soft damp wet mould mold mouldy black rust rusted leak leaking leaks water termites termite ' +
    'woodworm ants wasps bees rats mice nest powder crumbled collapsed mush spongy sagging dropped sunk charred burnt ' +
    'riddled soaking',
  found:
    'found find finding discovered uncovered turned lifted opened pulled surprise surprised unexpected expected expecting ' +
    'behold blimey wow whoa amazing guess',
  hazard:
    'gas live hot energised energized asbestos lead vermiculite fibres silica fumes monoxide sewage dust acid lugs ' +
    'exposed bare uncapped unguarded overhead mains conductors terminated',
  warn: 'watch careful mind beware danger dangerous caution stay keep away clear hazard unsafe hands',
  edge:
    'edge drop hole void trench pit ladder scaffold scaffolding rail guardrail handrail guard open stairwell prop props ' +
    'jack jacks parapet shaft tower hatch manhole bank barricade railing',
  loose: 'loose leaning wobbly unsupported resting slipping slippery tied footed fixed tacked slumping moving bulging',
  anybody: 'anybody anyone somebody someone everybody everyone',
  touch: 'touch go step stand lean walk move turn climb grab turn lights drills leans moves goes stands works close',
  noise:
    'hammer hammering drill drilling noise noisy loud quiet radio music sawing saws banging grinder guns tools racket',
  rest:
    'sleep sleeps sleeping asleep nap naps nights resting living lives live cooking eating works home ' +
    'school holiday away away church shift',
  access:
    'access gate drive driveway park parking parked bins bin skip street lane alley path pavement ' +
    'sidewalk entrance walkway stair kerb',
  off: 'off shut shuts closed',
  service: 'power water heat heating electric electrics electricity internet boiler furnace circuit supply panel',
  // Things
  wall:
    'wall walls ceiling ceilings floor floors roof gable chimney partition elevation stair stairs ' +
    'staircase porch deck cornice dormer',
  structure:
    'beam beams joist joists stud studs lintel post posts rafter rafters purlin truss column header sill plate steel ' +
    'footing footings foundation slab pier bearer stringer collar pin pins',
  surface:
    'tile tiles board drywall sheetrock plasterboard gib plaster skim render insulation batts membrane carpet flooring ' +
    'parquet vinyl lino paint primer coat coats wallpaper paper panelling paneling cladding siding slates shingles felt ' +
    'grout screed concrete underlay weatherboards boards backsplash splashback primer undercoat',
  joinery:
    'door doors window windows sash sashes cabinet cabinets cupboard cupboards unit units vanity drawer drawers shelf ' +
    'shelves closet wardrobe trim skirting skirtings baseboard baseboards casing architrave architraves crown moulding ' +
    'molding bench worktop worktops counter counters countertop countertops benchtop island shutter shutters bookcase ' +
    'panel panels rail facings mantel newel banister rooflight skylight',
  fixture:
    'toilet loo wc commode sink basin bath tub shower tray tap taps faucet faucets radiator radiators rad boiler ' +
    'cylinder tank heater fan hood extractor light lights lamp socket sockets outlet outlets switch switches fridge ' +
    'range stove oven cooker dishwasher washer dryer mirror pendant chandelier thermostat alarm detector hob sconces',
  pipe:
    'pipe pipes drain drains duct ducts wire wires cable cables conduit gutter gutters downpipe downspout stack waste ' +
    'vent valve trap flue wiring plumbing pipework ductwork branch main line lines meter soil sewer tails circuits',
  piece:
    'hinge hinges handle handles bracket brackets screw screws knob knobs pull pulls plate plates block blocks blocking ' +
    'backing noggin noggins noggings cover cap caps lid strip filler clip clips strap bolt bolts hanger hangers latch ' +
    'catch lock seal bead stop closer grille register trimmer cleat leg legs box boxes kit flashing flange',
  furniture:
    'piano furniture table bed sofa desk books rug curtains blind blinds clock bench bike bikes picture pictures',
  ground:
    'garden yard lawn tree trees hedge patio terrace path pond slabs paving hardcore gravel soil shed garage soakaway',
  stage:
    'framing studwork demolition demo excavation protection tear-out strip-out wiring plumbing boarding taping plastering ' +
    'tiling tanking waterproofing decorating painting pointing repointing slating cabinets backfill formwork rough',
  colour:
    'white black grey gray blue green red cream ivory beige navy charcoal oatmeal mustard teal terracotta brown tan ' +
    'yellow ochre silver gold bronze sand chalk olive pink plum taupe linen graphite anthracite buff sage lemon pale ' +
    'dark deep off-white colour color warm soft natural clear bone crimson coral peach lilac mint',
  material:
    'oak walnut maple birch ash larch cedar pine fir spruce cherry beech teak elm bamboo marble granite quartz limestone ' +
    'sandstone bluestone slate soapstone travertine terrazzo porcelain ceramic iron stainless copper brass zinc ' +
    'aluminium aluminum nickel chrome lime limewash linoleum cork laminate wool glass clay hemp hardwood softwood ' +
    'encaustic mosaic veneer lead timber wood stone brick brass cast',
  finish:
    'matt matte satin gloss eggshell brushed polished honed oiled waxed stained lacquered glazed tumbled raw galvanised ' +
    'galvanized fluted ribbed shaker plain bevelled reeded riven varnish handmade reclaimed unfinished',
  // Talk
  hello:
    'hello hi hey morning evening bye cheers thanks thank sorry okay ok right alright anyway well oh ooh ' +
    'cor whoa yeah yes no um hang wait',
  nice: 'lovely beautiful gorgeous nice pretty great funny favourite love adore amazing',
  past: 'used remember once originally ago years formerly back',
  motion:
    'go going come coming walk walking head heading move moving step stepping pop nip climb through into ' +
    'start starting begin follow',
} as const;

export type WordClass = keyof typeof CLASSES | 'digits' | 'ed' | 'ing' | 'ly' | 's' | 'other';

const LISTED = new Map<string, WordClass[]>();
for (const [name, words] of Object.entries(CLASSES) as [WordClass, string][])
  for (const word of words.split(' ')) {
    const known = LISTED.get(word);
    if (!known) LISTED.set(word, [name]);
    else if (!known.includes(name)) known.push(name);
  }

const byEnding = (word: string): WordClass =>
  /^\d/.test(word)
    ? 'digits'
    : word.length > 4 && word.endsWith('ed')
      ? 'ed'
      : word.length > 4 && word.endsWith('ing')
        ? 'ing'
        : word.length > 4 && word.endsWith('ly')
          ? 'ly'
          : word.length > 3 && word.endsWith('s')
            ? 's'
            : 'other';

/** The classes of a word in small letters, the one phrases are built of first; never empty. */
export function classesOf(word: string): readonly WordClass[] {
  return LISTED.get(word) ?? [byEnding(word)];
}

/** Classes that carry a clause. */
export const VERBS: ReadonlySet<WordClass> = new Set<WordClass>(
  'be was have do will would can going got need keep'.split(' ') as WordClass[],
);

/** The class that phrases are built of. */
export const classOf = (word: string): WordClass => classesOf(word)[0] ?? 'other';

/** The word without its ending: `tiles`, `tiled`, `tiling` are one. */
export const stemOf = (word: string): string =>
  word.length > 5 ? word.replace(/(?:ings?|ed|ies|es|s|e)$/, '') : word.length > 3 ? word.replace(/s$/, '') : word;

/** What a word does in a clause, coarser than its class: words that do the same are one. */
const DOES: Readonly<Record<string, string>> = {
  i: 'i we',
  he: 'he she they',
  it: 'it',
  him: 'me us him them',
  my: 'my our your his her their its',
  this: 'this these',
  that: 'that those',
  the: 'the a an',
  there: 'there',
  here: 'here',
  you: 'you ye',
  is: "is are 's am",
  was: 'was were',
  be: 'be been being',
  have: "has have had 've",
  do: 'do does did',
  will: 'will would could should might may must can shall',
  not: 'not',
  never: 'never hardly barely',
  no: 'no',
  who: 'nobody everybody somebody anybody everyone someone anyone nothing everything something none naebody',
  need: 'needs need wants want',
  got: 'got gotta get gets',
  going: 'going gonna',
  let: 'let lets',
  to: 'to',
  of: 'of',
  in:
    'in on at by with from for into onto under over behind above below across along round around between ' +
    'beside through past against near inside',
  up: 'up down out off away back doon aff',
  and: 'and',
  but: 'but or plus',
  so: 'so',
  then: 'then now',
  if: 'if unless',
  because: 'because cause since though although',
  till: 'till until before after when once while whenever',
  which: 'which who what where how why whose whether',
  than: 'than as like',
  some: 'some any all both each every half most another other more few several lot lots rest bit couple',
  yet: 'yet still already again too either',
  just: 'just only even also really very quite pretty too so rather',
  nearly: 'nearly almost about roughly around maybe probably',
  ok: 'okay ok right well oh yeah yes no anyway hello hi hey sorry alright um hang',
  think: 'think guess reckon assume suppose believe figure hope bet know see say says said mean told thought',
};
const DOING = new Map<string, string>();
for (const [does, words] of Object.entries(DOES))
  for (const word of words.split(' ')) if (!DOING.has(word)) DOING.set(word, does);
const BY_CLASS: Partial<Record<WordClass, string>> = {
  number: 'number',
  part: 'part',
  percent: 'unit',
  length: 'unit',
  period: 'unit',
  date: 'date',
  digits: 'number',
  size: 'size',
  worked: 'worked',
  done: 'worked',
  ed: 'worked',
  working: 'working',
  ing: 'working',
  work: 'work',
  keep: 'keep',
  remove: 'remove',
  live: 'how',
  amiss: 'how',
  lacking: 'how',
  rotten: 'how',
  loose: 'how',
  nice: 'how',
  colour: 'colour',
  finish: 'colour',
  material: 'colour',
  early: 'ly',
  ly: 'ly',
  ordinal: 'number',
  s: 'things',
  warn: 'warn',
  touch: 'work',
  decide: 'worked',
  choose: 'worked',
  order: 'worked',
  wish: 'need',
};
/** What a word does in a clause. */
export const doesOf = (word: string): string =>
  DOING.get(word) ?? BY_CLASS[classOf(word)] ?? (word.endsWith('s') && word.length > 3 ? 'things' : 'thing');
