import { COLOURS, DAYS_SAID, FINISHES, MATERIALS, SERVICES, TRADE_WORDS } from './lexicon';
import type { Inclusion } from '../sites/area';
import type { DraftKind } from './draft';

/**
 * A turn of phrase that speaks for one kind of draft. Patterns read words in small letters, contractions opened, a
 * blank on both sides.
 */
export interface Sign {
  kind: DraftKind;
  weight: number;
  pattern: RegExp;
  stance?: Inclusion;
}

const sign = (kind: DraftKind, weight: number, pattern: string, stance?: Inclusion): Sign => ({
  kind,
  weight,
  pattern: new RegExp(` (?:${pattern.replaceAll('\\w', `[\\w']`)})`),
  ...(stance ? { stance } : {}),
});
const BE = `(?:is|are|'s)`;
const SOMEBODY = '(?:she|he|they|client|clients|owner|owners|customer|husband|wife|couple|mrs \\w+|mr \\w+)';
const LOOK = `(?:${COLOURS}|${MATERIALS}|${FINISHES})`;
const TOOLS =
  'hammer\\w*|grind\\w*|drill\\w*|nois\\w*|deliver\\w*|tools?|radio|music|parking|trucks?|vans?|lorr\\w+|saws?|' +
  'sawing|bang\\w*|power tools|cutting|loud\\w*|compressor|shouting|work|working|starts?|dust|jackhammer|breaker|' +
  'mixer|skips?';
const DON =
  '(?:do not|nobody|no one|never|not anybody|not anyone|do not anybody|do not let anybody|do not let anyone|none ' +
  'of you)';

const SIGNS: readonly Sign[] = [
  // scope: what is out
  sign(
    'scope',
    3.5,
    '(?:we|i) (?:are|am) not (?!sure|there|done|going to (?:know|get|make|be)|happy|finished|ready|waiting|at|in|' +
      'on|talking|staying)(?:going to )?\\w+',
    'out',
  ),
  sign(
    'scope',
    3.5,
    '(?:we|i) (?:do|will) not (?:be )?(?:\\w+ing|touch|do|paint|replace|change|move|open|cut|strip|sand|dig|go ' +
      'near|include|price)',
    'out',
  ),
  sign('scope', 3.2, `(?:is|are) not (?:being|to be) \\w+`, 'out'),
  sign('scope', 2.4, `(?:is|are) not (?:our|my) (?:job|problem|worry)`, 'out'),
  sign('scope', 1.8, `stays? (?:raw|bare|do not|does not|no|not) ?`, 'out'),
  sign('scope', 1.4, `do not (?:replace|refinish|repaint|strip|sand)`, 'out'),
  sign(
    'scope',
    3.5,
    `(?:${BE}|${BE} all|it) ?(?:not|nt) (?:ours|us|in (?:our|the|my|this) (?:price|scope|contract|job|number|` +
      'quote|budget)|part of|our|included|on (?:our|the|my) list)',
    'out',
  ),
  sign(
    'scope',
    3.2,
    '(?:leave|leaving|leaves) (?:it|that|this|them|those|these|(?:this|that|these|those) (?:one|ones|room|bit|' +
      'part|side|wall|\\w+)|all (?:of )?that|everything|well|the \\w+|the \\w+ \\w+) (?:alone|be|as (?:it|they|is|' +
      'found)|where|exactly|just)',
    'out',
  ),
  sign(
    'scope',
    3.2,
    '(?:stays?|staying|remains?) (?:put|as (?:it|they|is)|like (?:it|that)|the way|exactly|where (?:it|they)|' +
      'just as|untouched)',
    'out',
  ),
  sign('scope', 3.2, `(?:staying|stay|keep|keeping) (?:right )?out of`, 'out'),
  sign('scope', 2.8, `(?:somebody|someone) else (?:is|'s|has|does|will|doing|for (?:that|it))`, 'out'),
  sign(
    'scope',
    3,
    `(?:by others|themselves|excluded|out of (?:the )?(?:scope|contract|price)|not included|theirs to do)`,
    'out',
  ),
  sign(
    'scope',
    3,
    `nothing (?:happening|happens|to do|doing|getting done|gets done|going on)(?: to| in| at| on| here)?`,
    'out',
  ),
  sign(
    'scope',
    3,
    `no (?:digging|cutting|drilling|painting|work|paint|render|tile|tiling|new \\w+) (?:in|on|at|round|here|there)`,
    'out',
  ),
  sign('scope', 1.5, `not (?:this (?:time|year|round|phase)|for now|in this phase)`, 'out'),
  sign('scope', 1.2, `(?:next year|another (?:job|day|year|time)|phase two|later job)`, 'out'),
  sign(
    'scope',
    1.8,
    `(?:they|it|that|those|these|all|both) stays? (?:and|so|for|here|in|or|too|though|because|we|i|work) `,
    'out',
  ),
  sign('scope', 1.8, `(?:they|it|that|those|these) stays? $`, 'out'),
  sign('scope', 1.5, `work round (?:it|them|that)|work around (?:it|them|that)`, 'out'),
  // scope: what is protected
  sign(
    'scope',
    4,
    '(?:gets?|getting|is|are|be|goes) (?:\\w+ )?(?:covered|boarded over|boarded up|boarded|wrapped|masked|' +
      'protected|sheeted|taped off|papered|padded|crated|boxed in|tented)',
    'protect',
  ),
  sign(
    'scope',
    4,
    '(?:hardboard|ply|plywood|plastic|poly|paper|cardboard|blankets?|sheets?|sheeting|foam|film|runners?|drop ' +
      'cloths?|dust sheets?|fleece|carpet|mats?|felt|board|boards) (?:over|on|round|around|across|down over|on top ' +
      'of) (?:it|them|that|those|these|the|all|every)',
    'protect',
  ),
  sign(
    'scope',
    4,
    '(?:stays?|stay|kept|keep them|keep it) (?:all )?(?:under|in|wrapped in|behind) (?:the |its |their ' +
      ')?(?:plastic|wraps?|sheets?|covers?|blankets?|boards?)',
    'protect',
  ),
  sign('scope', 3, `(?:protect|wrap|cover|mask) (?:it|them|that|those|these|the|all|every|up)`, 'protect'),
  sign(
    'scope',
    2.5,
    '(?:must not|can not|do not|not to|no one|nobody)(?: \\w+)? (?:get|gets) (?:a scratch|a mark|scratched|' +
      'marked|dusty|wet|dirty|damaged|dinged)',
    'protect',
  ),
  // scope: what stays in use
  sign(
    'scope',
    4,
    '(?:stays?|stay|keeps?|kept|remains?|staying|left) (?:live|on(?! (?:top|our|site|their|the (?:left|right|' +
      'wall|floor|side|bench|drawing|list|way)))|connected|hooked up|plugged in|switched on|powered up|open|' +
      'running|working|in service|in use|powered|plumbed in|lit|available|going|usable)',
    'keep-live',
  ),
  sign(
    'scope',
    3.6,
    '(?:keep|keeping|leave|keeps) (?:the |that |this |their |her |his |one |it |them )?(?:\\w+ ){0,4}(?:live|' +
      'running|going|working|connected|hooked up|in use|switched on|powered)',
    'keep-live',
  ),
  sign(
    'scope',
    3,
    `(?:need|needs|have to have|has to have|must have) (?:the |that |their |that )?(?:${SERVICES}) (?:all|right|` +
      'every|the whole|through|till|until|on)',
    'keep-live',
  ),
  // scope: taken down and put back
  sign(
    'scope',
    4.5,
    '(?:comes?|come|coming|taken|take|takes|taking|goes|go|lifts?|lifted|unscrew\\w*|unhook\\w*|dropped|' +
      'dismantled|unbolt\\w*) (?:\\w+ )?(?:off|down|out|up|away|apart)(?: \\w+){0,16} (?:(?:goes?|go|going|put|' +
      'puts|putting|hung|hang|come|comes|coming|fitted|screwed|set|get|gets)(?: \\w+){0,2} (?:back|up again|on ' +
      'again|in again|again)|refitted|refit|rehung|reinstalled|refixed|rehang)',
    'refit',
  ),
  sign(
    'scope',
    4.7,
    `(?:goes?|go|going|put|comes?) back (?:in|on|up) (?:in |with |as )?(?:new |the |a )?${LOOK}(?!\\S)`,
    'in',
  ),
  sign('scope', 3, `(?:goes?|go|going) back (?:in|on|up|where|after|when|once|afterwards|over)`, 'refit'),
  sign(
    'scope',
    3,
    '(?<!been )(?<!got )(?<!get )(?:put|putting|hung|hang|hanging) (?:it |them |that |the \\w+ )?back (?:in|on|' +
      'up|where|after|when|once|afterwards|over)?',
    'refit',
  ),
  sign('scope', 2.6, `(?:refit|rehang|rehung|reuse|reused|re used|reinstall\\w*|refitted)\\b`, 'refit'),
  sign('scope', 2, `only (?:stored|parked|kept) (?:here|there|in here)`, 'refit'),
  sign('scope', 2, `(?:save|saving|set aside|number(?:ed)?) (?:it|them|those|these|the \\w+)`, 'refit'),
  // scope: depends on what is found or wanted
  sign(
    'scope',
    2.6,
    'if (?:the|it|they|that|there|she|he|this|its|those|we|any|all|you)(?: \\w+){1,16} (?:then )?(?:we|i|that|it|' +
      'they|she|he|the whole)(?: \\w+)?(?: will| are| have| would| can)? (?!know|see|think|said)\\w+',
    'conditional',
  ),
  sign(
    'scope',
    1.6,
    'if (?:it|they|there|that|she|he|this) (?:is not|are not|does not|do not|is|are|does)(?: \\w+){0,14} (?:we|' +
      'it|that|they|goes|comes|stays)',
    'conditional',
  ),
  sign('scope', 1.4, `if not`, 'conditional'),
  sign('scope', 2.8, `depend(?:s|ing) (?:on|what|whether|how)`, 'conditional'),
  sign('scope', 2.4, `only if`, 'conditional'),
  sign('scope', 3.4, `if (?:[\\w']+ ){2,20}if (?:not|it|they|there|she|he|that|the)`, 'conditional'),
  sign('scope', 1.2, `(?:turns? out|proves?) to be`, 'conditional'),
  // scope: what is in
  sign('scope', 2, `(?:comes?|come|coming) (?:off|out|down|up|away)(?! (?:the|to|here|and see|${DAYS_SAID}))`, 'in'),
  sign('scope', 2.4, `(?:gets?|getting) (?:a |an |the |its |their |all |some |two |three |four |new )`, 'in'),
  sign(
    'scope',
    2.4,
    `(?:gets?|getting) (?!${LOOK} |covered|wrapped|boarded|protected|swapped|delivered|masked|looked|booked|done|` +
      'hung)(?:\\w+ed|torn|taken|ripped|dug|rebuilt|redone|built|cut)\\b',
    'in',
  ),
  sign(
    'scope',
    2.6,
    '(?:we|i) (?:are|am|will)(?: also| all| just)? (?:putting|taking|going to|adding|building|replacing|opening|' +
      'installing|knocking|stripping|re\\w+ing|giving|making|widening|raising|lowering|lining|pointing|scraping|' +
      'removing|take|put|add|build|replace|strip|give|make|redo)',
    'in',
  ),
  sign(
    'scope',
    2.6,
    '(?:is|are) (?:all )?(?:new|to be \\w+|being \\w+|getting|going to be \\w+ed|scraped|stripped|repaired|' +
      'replaced|repointed)',
    'in',
  ),
  sign('scope', 2, `will (?:be|have|get|go)(?: \\w+){0,3} (?:again|new|when|once|in)`, 'in'),
  sign(
    'scope',
    2.4,
    '(?:needs?|wants?) (?:replacing|a new|new|an? (?!licen|permit|notice|week|day|hand|word|look|month|inspect|' +
      'survey|key|call)\\w+|re\\w+ing|repointing|rehanging|stripping|sanding|scraping)',
    'in',
  ),
  sign('scope', 3, `(?:is|are|'s|that) (?:all )?(?:in (?:our|the) (?:price|scope|contract)|included)`, 'in'),
  sign(
    'scope',
    2,
    'goes? (?:in(?! the way)|here|there|along|under|over|across|on)(?: (?:here|there|where|under|over|along|in|' +
      'on|with|for|all))?',
    'in',
  ),
  sign('scope', 2.2, `goes? (?:from|to|down|up|round|through|behind|between|right)`, 'in'),
  sign('scope', 1.2, `(?:a|an|the|some) new \\w+`, 'in'),
  sign('scope', 1.8, `(?:they|it|those|that) (?:are|is|'s) (?:in|going in) now`, 'in'),
  sign('scope', 2, `(?:they|it|those|that) (?:are|is|'s) (?:in|going in) now`, 'in'),
  sign('scope', 1.6, `(?:that|it|this|so that) (?:is|'s) going in`, 'in'),
  sign('scope', 1.2, `all of it|the lot`, 'in'),
  sign('scope', 2.4, `(?:back (?:to|in) (?:the )?(?:stone|brick|lime|studs|bare|timber|wood|slate))`, 'in'),
  sign(
    'scope',
    1.4,
    '(?:scrape|strip|sand|repoint|replace|rebuild|repair|rewire|replaster|reglaze|restore|regrout|relay|clean|' +
      'prime|paint) (?:it|them|that|those|these|all|the|and)',
    'in',
  ),
  // remaining
  sign(
    'remaining',
    3,
    `still (?:to|needs?|have to|has to|got to|want|wants|missing|waiting|left|open|not|short|has|have|got)`,
  ),
  sign('remaining', 3, `left to (?:do|run|go|fit|hang|pull|set|paint|tile|board|lay|put|cut)`),
  sign(
    'remaining',
    2.7,
    `(?:${TRADE_WORDS}|guy|guys|crew|somebody|someone|he|they|we|she|i)(?: (?:has|have|'s))?(?: still)? (?:got ` +
      'to|has to|have to|needs? to|will have to) (?!be (?:careful|quiet)|know|go now|say|call|remember|admit|' +
      'tell)\\w+',
  ),
  sign('remaining', 2.6, `(?:needs?|need) (?:to be )?\\w+(?:ed|ing|en)\\b`),
  sign('remaining', 2, `needs? (?:a|an|some|another|two|three|four|more|doing)`),
  sign('remaining', 2.6, `(?:wants|still want|all want) \\w+ing`),
  sign(
    'remaining',
    2.8,
    '(?:is|are|has|have|were|was) not (?:been )?(?:yet )?(?:built|cut|hung|fixed|connected|hooked up|fitted|' +
      'fastened|strapped|tied|capped|sealed|caulked|wired|installed|fit|set|made|patched|painted|primed|finished|' +
      'screwed|nailed|insulated|plated|run|pulled|in yet|on yet|there yet|up yet|drilled|tested|cleaned|glued|' +
      'bonded|labelled|vented|plumbed|trimmed|swept|adjusted|levelled)',
  ),
  sign('remaining', 2.4, `(?:is|are|'s) (?:still )?missing`),
  sign('remaining', 2.2, `(?:we|i|they) owe`),
  sign(
    'remaining',
    2.5,
    `(?:is|are|has|have) (?:still )?not in\\b(?! (?:our|the|my|this|here|stock|it|there|a|question))`,
  ),
  sign(
    'remaining',
    2.8,
    `there (?:is|'s|are) (?:still )?no (?:backing|blocking|plates?|fire ?stop\\w*|clips?|hangers?|straps?|` +
      'bracing|noggins?|trap|cover|vent|support|nailer|flashing|trim|handle|lock|valve|insulation|box)',
  ),
  sign('remaining', 2.4, `(?:forgot|forgotten|missed) (?:the|a|to|about|one|two|that)`),
  sign('remaining', 2.2, `(?:touch up|snags?|loose ends?|leftovers?|come back (?:to|for|and))`),
  sign('remaining', 1.8, `(?:outstanding|unfinished|to come yet|not finished)`),
  sign('remaining', 1.6, `(?:yet|left) (?:to be|to) \\w+`),
  sign('remaining', 2.2, `(?:one|two|three|four|five|six|\\d+) (?:more|left|to go)`),
  sign('remaining', 2, `so we open (?:that|it) up`),
  sign(
    'remaining',
    2.2,
    '(?:wants?|got to be|has to be|have to be|must be) (?:moved|pulled|pushed|cut|redone|raised|lowered|fixed|' +
      'plated|patched|swapped|shifted|turned|reset|remade|taken back)',
  ),
  // selection
  sign(
    'selection',
    3.4,
    '(?:picked|chose|chosen|choosing|going with|gone with|went with|settled on|went for|gone for|landed on|' +
      'decided on|picking) (?:the |a |an |in |for |that |out )?\\w+',
  ),
  sign(
    'selection',
    3,
    `(?:is|are|'s|be) (?:now |going to be |to be |all |just )?(?:in )?(?:the |a |an |that )?(?:(?!of |for |on |` +
      `in |at |with |under |over |like |made )\\w+ ){0,2}${LOOK}(?!\\S)(?! (?:and|or)? ?(?:rotten|cracked|right))`,
  ),
  sign('selection', 1.4, `(?:colou?r|finish|tile|stain|grout|paint) (?:is|'s|in|number|code|are)`),
  sign('selection', 1, `not the ${LOOK}`),
  sign('selection', 1.6, `in (?:the )?(?:${COLOURS}|${FINISHES})`),
  sign('selection', 1.2, `left to go|no stain|left (?:natural|bare|raw)`),
  // order
  sign('order', 2.6, `(?:ordered|on order|back ?ordered|reordered|re ordered|reorder|re order)`),
  sign('order', 2.8, `lead time`),
  sign(
    'order',
    2.6,
    `(?:is|are|'s|on|say|said|quoted|about|roughly|around|now|at) (?:about |around |roughly )?(?:a|one|two|three|` +
      'four|five|six|seven|eight|nine|ten|eleven|twelve|\\w+teen|twenty(?: \\w+)?|\\d+) (?:weeks|days|months)(?: |' +
      '$)',
  ),
  sign('order', 1.6, `(?:they|we) (?:shipped|sent|dropped off)`),
  sign('order', 1.4, `for the (?:bigger|smaller|larger|wrong|other|left|right|older|newer) \\w+`),
  sign('order', 1.4, `(?:making|sending|shipping|remaking) (?:a new|another|us|the)`),
  sign(
    'order',
    1.6,
    '(?:a|an|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\\w+teen|twenty|\\d+|couple of|' +
      'few)(?: \\w+)? (?:weeks?|days|months?|fortnight)(?! ago)',
  ),
  sign(
    'order',
    1.6,
    '(?:showed up|turned up|arrived|came in|delivered|was delivered|they sent|sent us|got sent|they have sent|on ' +
      'the truck|in the box|from the (?:mill|shop|factory|supplier|warehouse|yard|foundry))',
  ),
  sign(
    'order',
    2.2,
    '(?:the )?wrong (?:one|ones|size|hand|colou?r|side|length|model|finish|profile|way|part|width|thickness|kind|' +
      'shade|swing|handed|voltage|spec)',
  ),
  sign('order', 1.6, `wrong`),
  sign(
    'order',
    1.6,
    `(?:damaged|dent|dents|dented|chipped|chip|cracked in|scratched|scratch|broken|bent|smashed|split in)`,
  ),
  sign('order', 2.4, `(?:is|are|'s|came|come|were|was|we are) (?:\\w+ )?short (?:a|one|two|three|four|by|of|on|\\d+)`),
  sign('order', 2.8, `\\w+ (?:week|day|month) (?:lead|wait|delivery|turnaround|item|thing|order)`),
  sign(
    'order',
    2.6,
    '(?:missing (?:from|in|a|the|one|two|three|four)|not in the box|did not come|never came|were not in|never ' +
      'showed|has not (?:come|shown|arrived|turned)|have not (?:come|shown|arrived|turned))',
  ),
  sign('order', 2.2, `(?:is|are|'s|running|running|be|now) late(?:r)?`),
  sign('order', 2, `(?:slipped|pushed (?:back|out)|delayed|held up|stuck (?:in|at)|on back order|out of stock)`),
  sign(
    'order',
    2.6,
    `(?:been|got|get|gets) (?:put|pushed|set|moved|knocked|bumped) back(?! (?:in|on|up|where|together|over))`,
  ),
  sign('order', 1.6, `we (?:wanted|ordered|asked for)`),
  sign('order', 1.6, `with (?:a|an|one) (?:\\w+ )?(?:split|crack|chip|dent|scratch|hole|bent|broken|chipped|cracked)`),
  sign('order', 1.6, `no \\w+ in the (?:box|carton|crate|pack|packet)`),
  sign(
    'order',
    1.8,
    '(?:goes|going|gone|went|sending|send|sent|take|taking) (?:it |them |that )?(?:straight )?back(?! (?:in|on|' +
      'up|where|when|after|over|to the (?:kitchen|studs)))',
  ),
  sign('order', 1, `(?:supplier|mill|factory|warehouse|manufacturer|delivery|shipment)`),
  sign('order', 1.2, `(?:they|he|she) (?:told|tell|say|said|promised) (?:me|us)`),
  sign(
    'order',
    1.4,
    `(?:supposed to be here|due (?:on )?(?:${DAYS_SAID})|(?:comes|coming|arrives|lands|ships) (?:on ` +
      `)?(?:${DAYS_SAID}))`,
  ),
  sign('order', 1.5, `(?:replacement|new one|new door|new panel|another one) (?:is|'s|in|takes|will|coming)?`),
  sign(
    'order',
    1.8,
    `(?:two|three|four|six|eight|ten|twelve|\\d+) (?:weeks|days) (?:out|lead|from|away|for|to get|late)`,
  ),
  // assumption
  sign('assumption', 2, `(?:i|we) (?:would )?(?:think|guess|figure|reckon|assume|suspect|believe|expect|imagine|bet)`),
  sign(
    'assumption',
    2.2,
    '(?:i|we) (?:am|are) (?:(?:pretty|fairly|nearly|almost|quite|reasonably) (?:sure|certain)|guessing|assuming|' +
      'hoping|betting|counting on|figuring|taking it)',
  ),
  sign(
    'assumption',
    2.2,
    `(?:i|we) (?:do not|would not) (?:think|believe|expect|reckon) (?:there|it|that|they|we|any|the)`,
  ),
  sign(
    'assumption',
    1.6,
    '(?:probably|presumably|most likely|chances are|my guess|fingers crossed|with any luck|supposedly|in theory|' +
      'as far as (?:i|we) (?:know|can tell)|apparently)',
  ),
  sign('assumption', 1.6, `should be (?:fine|okay|sound|good|all right|solid|dry|ok|enough|dead|there|straight)`),
  sign(
    'assumption',
    2.2,
    `(?:nobody|no one) (?:'s|has|is|have|really)(?: actually| ever)? (?:looked|seen|been|checked|opened|put|had|` +
      'tested|pulled|lifted|dug|knows|sure)',
  ),
  sign(
    'assumption',
    2.2,
    '(?:will|can|do|would) not (?:really )?(?:know|tell|see|be sure|be certain)(?: for sure)? (?:until|till|' +
      'unless|before)',
  ),
  sign(
    'assumption',
    1.4,
    `(?:until|till|once) (?:we|somebody|they|i) (?:have |'ve |are )?(?:opened?|cut|cored?|dug|dig|pull(?:ed)?|` +
      'lift(?:ed)?|take|took|taken|get|got|see|look|peel|strip|drill)',
  ),
  sign('assumption', 2, `(?:have|has) not (?:opened|seen|looked|checked|tested|lifted|pulled|dug|been able)`),
  sign(
    'assumption',
    1.3,
    `if (?:it|they|there|that|i|we|not) ?(?:is not|are not|am wrong|is wrong|turns out|'s|is|are|wrong)`,
  ),
  sign('assumption', 1.2, `(?:allowed|allowance|carried|carrying|priced) (?:for|in)`),
  sign('assumption', 1, `then we are`),
  sign(
    'assumption',
    1.8,
    '(?:everybody|everyone|they|he|she|drawings?|the plans?|neighbour|owner)(?: all)? (?:tells?|says?|swears?|' +
      'reckons?|thinks?|shows?|told) (?:me |us )?(?:it|that|this|there|these|the)',
  ),
  sign(
    'assumption',
    1.4,
    `(?:until|till) (?:it|that|this|they|those) (?:is|are|'s) (?:open|off|up|down|out|stripped|exposed|bare|uncovered)`,
  ),
  sign('assumption', 1.2, `can not (?:promise|swear|say|guarantee)`),
  sign('assumption', 1.2, `(?:want|need|have) to (?:see|check|look|open)`),
  sign(
    'assumption',
    1.2,
    `(?:only seen|only looked|from (?:down )?here|from the ground|good for another|give or take|as far as)`,
  ),
  // surprise
  sign(
    'surprise',
    3.2,
    '(?:did|do|was|were|would|have) not (?:\\w+ )?(?:expect\\w*|see (?:that|this|it|one)? ?coming|know (?:about ' +
      ')?(?:that|this|it|was|were|there)|see (?:that|this) coming|bargain)',
  ),
  sign(
    'surprise',
    3.2,
    '(?:nobody|no one|none of us|not one of us) (?:knew|told|mentioned|said|warned|saw|expected|had (?:any idea|' +
      'that|this|it)|drew|marked)',
  ),
  sign(
    'surprise',
    2.8,
    '(?:surprise|surprised|surprising|news to me|lo and behold|who knew|would you (?:believe|look)|look what|' +
      'never (?:knew|expected|would have guessed|thought)|of all things|that is (?:new|a new one|odd|strange|' +
      'weird)|what (?:on earth|the hell|the heck|is that|is this))',
  ),
  sign(
    'surprise',
    2.6,
    `(?:was not|were not|is not|are not) (?:on|in|shown on) (?:the|any|my|our) (?:drawings?|plans?|survey|report|list)`,
  ),
  sign(
    'surprise',
    2.6,
    '(?:not supposed to be|no business being|ought not|should not be (?:here|there|in|under|behind)|what (?:is|' +
      `was) (?:that|it) doing|somebody (?:has |'s )?(?:cut|buried|stuffed|boxed|had|hid|covered|bridged|notched|` +
      'run))',
  ),
  sign('surprise', 2.2, `(?:we|i|they|he|she) (?:found|uncovered|discovered|hit|ran into|came across)`),
  sign('surprise', 1.2, `(?:never was|opened up the)`),
  sign('surprise', 1.4, `(?:turns? out|it turned out)(?! to be)`),
  sign(
    'surprise',
    1.3,
    '(?:rot|rotten|rotted|notched|mou?ldy?|termites?|woodworm|beetle|charred|burnt|rusted|soaked|leaking|leak|' +
      'soft underneath|dry rot|hollow|crumbl\\w+|mush|rusted|knob and tube|squirrels?|wasps?|bats?|nest)',
  ),
  sign(
    'surprise',
    1.3,
    '(?:when|once|as soon as|behind|under|underneath|beneath) (?:the |we |i |they |that |it |all )?(?:\\w+ ' +
      `){0,4}(?:came (?:down|off|up|out)|opened|pulled|lifted|took|peeled|there (?:was|is|'s))`,
  ),
  sign(
    'surprise',
    1.2,
    '(?:pulled|lifted|took|opened|peeled|cut)(?: \\w+){1,4} (?:off|up|out|down|away|back)?(?: \\w+){0,3} and ' +
      '(?:it|there|they|found|the)',
  ),
  // caution
  sign(
    'caution',
    2.8,
    '(?:watch (?:it|out|your|the|that|this|for|where)|careful|(?<!we )mind (?:the|your|that|this)(?! \\w+ going)|' +
      'beware|look out|heads up|stay (?:clear of|back|off|away))',
  ),
  sign(
    'caution',
    2.8,
    `(?<!we )(?<!i )(?:so )?${DON} (?!'s |has |is |had |was )(?:\\w+ )?(?:touch|touches|lean|leans|stand|stands|` +
      'step|steps|hang|hangs|cut|cuts|drill|drills|break|breaks|move|moves|walk|walks|sands?|climbs?|go|goes|trust|' +
      'pull|pulls|lift|lifts|open|opens|turn|turns|load|loads|knock|knocks|dry|scrape|scrapes|plugs?|unplugs?|' +
      'burns?|smokes?|removes?|takes?|screws?|nails?|uses?|kneels?|sweeps?|disturbs?|grinds?|works? under|puts?|' +
      'carry|carries|swings?|raises?|jumps?|parks?|blocks?|runs?|light|lights)',
  ),
  sign('caution', 2.8, `(?:nobody|no one|none of you|not) (?:is|are) to \\w+`),
  sign('caution', 3.2, `(?:treat|take) (?:it|them|that|those) as (?:live|hot|loaded|asbestos)`),
  sign('caution', 2.2, `(?:is|are|'s) (?:still )?(?:live|hot|energi[sz]ed)(?! (?:water|all|right|till|until|through))`),
  sign(
    'caution',
    2.4,
    `not (?:dead|safe|fixed|tied (?:in|off)|screwed|secure|secured|a guard|a rail|rated|braced|nailed)`,
  ),
  sign('caution', 3, `(?:asbestos|lead paint|lead in (?:the|that)|carbon monoxide|silica|radon|legionella|sewage)`),
  sign(
    'caution',
    2.8,
    '(?:open (?:edge|hole|trench|stairwell|shaft|drop|manhole)|(?:hole|gap|drop) in the (?:floor|deck|roof|slab|' +
      `landing)|(?:edge|side|hole|end|stairwell|drop|shaft|trench|pit) (?:is|'s) (?:wide )?open|no (?:rail|guard|` +
      'guardrail|handrail|barrier|lid|cover)|unguarded|exposed (?:\\w+ )?(?:wires?|nails?|rebar|cables?|ends?)|' +
      'trip(?:ping)? hazard|slippery|slick|nails (?:sticking|up|everywhere)|bare (?:wires?|ends?|cable))',
  ),
  sign('caution', 2.2, `(?:power lines?|overhead (?:line|cable|wire)s?|live (?:cable|wire|line|end)s?|high voltage)`),
  sign('caution', 1.8, `holding (?:up )?(?:the|that|this|all|everything|half)`),
  sign(
    'caution',
    2.6,
    '(?:could|will|would|can|might|going to) (?:kill|hurt|fall|collapse|come down|give way|go over|drop|' +
      'electrocute|bring (?:it|that|the))',
  ),
  sign('caution', 1.2, `(?:hard ?hats?|harness|masks?|goggles|respirator|gloves|extinguisher)`),
  sign(
    'caution',
    2.2,
    `keep (?:your )?(?:hands|feet|fingers|kids|everyone|everybody|people|clear of|off|away|back|well)(?: \\w+)?`,
  ),
  sign(
    'caution',
    1.6,
    `(?:loose|wobbly|bouncy|rotten|sagging|leaning|unsupported|hanging by|dangerous|danger|hazard|unsafe|not right)`,
  ),
  sign('caution', 2, `(?:is|'s|are) (?:a )?(?:gas|high voltage|mains|the main)`),
  // decision
  sign('decision', 3.8, `changed (?:her|his|their|my|our|your|its) minds?`),
  sign('decision', 2.8, `(?:decided|decision|agreed|signed off on|made up (?:her|his|their|our|my) mind)`),
  sign(
    'decision',
    2.2,
    `(?<!if )${SOMEBODY} (?:now |'s |has |have |would )?(?:wants?|would like|asked (?:for|if|us|me)|prefers?|` +
      'would rather|does not want|do not want)',
  ),
  sign('decision', 1.6, `${SOMEBODY} (?:has )?(?:texted|rang|called|emailed|wrote|phoned|messaged)`),
  sign('decision', 2.4, `no \\w+(?: \\w+)? after all`),
  sign('decision', 1.4, `instead(?: of)?|after all|rather than`),
  sign('decision', 2, `so (?:\\w+ ){1,5}it is`),
  sign('decision', 3.4, `(?:leaving|leave|left) (?:that |it |this |them )?(?:up )?to (?:the |him|her|them|his|my)`),
  sign('decision', 3.4, `(?:up to|down to) (?:the (?:${TRADE_WORDS})|him|her|them|whoever)`),
  sign('decision', 2.8, `(?:${TRADE_WORDS})(?: 's)? (?:call|decides?|choice|picks?)`),
  sign(
    'decision',
    2.8,
    '(?:i|we) (?:am|are|will|have) (?:\\w+ )?(?:pulling|moving|pushing|bringing|swapping|switching|flipping|pull|' +
      'move|push|bring|swap|switch|flip|pulled|moved|pushed|swapped|switched|flipped) (?:him|her|them|it|that|this|' +
      'the \\w+|the \\w+ \\w+|those) (?:up|forward|ahead|back|to|in|before|over|around|round|out|down)',
  ),
  sign('decision', 1.2, `ahead of`),
  sign('decision', 2.2, `(?:happy|fine|okay|good|content|cool) with (?:it|that|the|a|this)`),
  sign(
    'decision',
    2,
    `no charge|on the house|free of charge|for nothing|(?:throw|threw|throwing) (?:it|that|them|those) in`,
  ),
  sign(
    'decision',
    2.2,
    `(?:we will|let us|we are going to|i said|we said) (?:just )?(?:go with|do|make it|keep|use|skip|drop)`,
  ),
  sign(
    'decision',
    2.4,
    `(?:engineer|inspector|architect|designer) (?:says|said|wants|told|is happy|okayed|okay|agreed|signed)`,
  ),
  // gate
  sign(
    'gate',
    2,
    '(?:inspector|inspectors|inspection|inspections|inspected|inspect|permit|permits|consent|approval|approved|' +
      'building control|surveyor|survey|certificate|planning|utility|locates?|sign off|signed off|engineer|the ' +
      'final|rough electrical|rough plumbing|rough in inspection|association|water test|pressure test|air test|' +
      'flood test|\\w+ final|final (?!coat|coats|price|bill)\\w+|scans?|scanned|party wall|licen[cs]e|listed|' +
      'clearance|warrant|sewer office|environmental health|fire officer|\\w+ officer|conservation|heritage|council|' +
      'city|county|authority|green tag|red tag|(?:framing|wiring|plumbing|gas|roof|chimney|insulation|final) check)',
  ),
  sign('gate', 1.4, `(?:come|came|comes|get|got|gets) back to (?:us|me)`),
  sign('gate', 1.6, `can not (?:\\w+ ){1,3}(?:till|until|before)`),
  sign(
    'gate',
    1.8,
    '(?:passed|failed|fail|pass|booked|scheduled|coming|waiting|waiting on|not (?:been )?(?:booked|scheduled|' +
      'arranged|heard|signed|issued|called in)|was through|was here|came through|turned (?:us|it) down|signed|is ' +
      'here|been applied for|applied|due|pending)',
  ),
  sign('gate', 1.6, `nothing (?:starts?|gets?|happens|moves|goes|is)(?: \\w+){0,8} (?:until|till)`),
  sign('gate', 1.4, `(?:until|till) (?:\\w+ ){0,4}(?:looked at|signed|inspected|been|passed|approved|do|says)`),
  sign('gate', 1.2, `(?:before|till|until) (?:the )?(?:inspector|engineer|inspection|permit|consent)`),
  sign(
    'gate',
    2.4,
    `(?:marking|locating|scanning|scan|mark|locate) (?:out )?the (?:gas|services|lines|pipes|cables|utilities)`,
  ),
  sign('gate', 1, `(?:${DAYS_SAID})`),
  sign('gate', 1.4, `there has to be|we need (?:a|the) (?:permit|inspection|sign)`),
  sign('gate', 1, `have not heard`),
  // household
  sign(
    'household',
    1.5,
    '(?:baby|kids?|children|toddler|family|neighbou?rs?|next door|tenants?|lodger|grandmother|granny|grandad|' +
      'method|nursery|market|customers|people upstairs|upstairs people|old man|old lady|night shift|works nights|' +
      'work nights|number \\w+|dentist|church|vicar|farm|farmer|postman|guests?|the pub|wedding|funeral|visitors|' +
      'exams?|students?|pupils|lodgers|staff|residents|public|anglers|walkers|newborn|infant|nurse|shoppers|' +
      'patients|congregation)',
  ),
  sign('household', 1.6, `(?:be|gets?|is|are) blocked`),
  sign('household', 1, `out of (?:the|their|her|his) way`),
  sign(
    'household',
    1.6,
    '(?:living|sleeps?|sleeping|cooking|naps?|asleep|eating|working from home|works from home|home (?:all )?day|' +
      'they (?:all )?come in)',
  ),
  sign(
    'household',
    3.6,
    `no (?:${TOOLS})(?: \\w+){0,6} (?:before|after|past|until|till|on (?:a )?(?:sun|mon|tues|wednes|thurs|fri|` +
      'satur)|during|at|between|while|when|from)',
  ),
  sign(
    'household',
    2.2,
    `(?:the |their )?only (?:way (?:in|out|up|down|through)|toilet|bathroom|bath|sink|access|door|entrance|shower)`,
  ),
  sign('household', 2.2, `(?:right of way|blocks?|blocking|block) ?(?:the|next|their|it|his|her|anybody)?`),
  sign('household', 2.2, `(?:keep|stay|stays|kept|left|leave)(?: \\w+){0,3} clear(?! of)`),
  sign('household', 1.2, `(?:clear|open) for (?:them|her|him|the|their)`),
  sign(
    'household',
    3.2,
    `(?:water|power|heat|heating|gas|electric\\w*|internet|lift|hot water) (?:is|'s|will be|goes|has to be|gets|` +
      'are|has to go) (?:\\w+ )?(?:off|out|shut|cut|down)',
  ),
  sign(
    'household',
    2.8,
    '(?:shut(?:ting)?|turn(?:ing)?|cut(?:ting)?|switch(?:ing)?) (?:off )?(?:the |their )(?:water|power|heat|' +
      'heating|gas|electric\\w*)(?: off)?',
  ),
  sign(
    'household',
    1.6,
    `(?:knock|warn|ring|tell|ask|let) (?:on |the |them |next|her |him |everybody|neighbou?rs?|upstairs)`,
  ),
  sign(
    'household',
    1,
    `(?:nois[ey]|loud|quiet|parking|park|driveway|gate|bus|lorry|truck|deliver\\w+|access|shared|alley|lane)`,
  ),
  sign(
    'household',
    1,
    '(?:before|after|past|until|till|by|at) (?:half past |quarter past |quarter to )?(?:seven|eight|nine|ten|' +
      'eleven|noon|twelve|one|two|three|four|five|six|\\d+)(?! (?:weeks|days|foot|feet|inch|metres|coats))',
  ),
  sign('household', 1, `(?:they|she|he) (?:still )?(?:need|needs|use|uses)`),
  sign('household', 2.4, `(?:days?|weeks?|hours?|day|week)(?: 's)? (?:notice|warning)`),
  sign('household', 1.4, `(?:gate|door|windows|shutters) (?:shut|closed|locked|open)`),
  sign('household', 0.8, `(?:mrs|mr|miss) \\w+`),
  sign('household', 1.6, `off the (?:drive|road|street|lane|pavement|lawn|grass)`),
  sign('household', 1.4, `(?:shuts?|closed?|locked?) (?:the |that |their )?(?:gate|door)`),
  sign('household', 1.6, `(?:gets?|got) out|(?:let|leave) the (?:dog|cat)|allerg\\w+|asthma`),
];

/** Every sign that a text shows. */
export const signsIn = (text: string): Sign[] => SIGNS.filter((entry) => entry.pattern.test(text));
