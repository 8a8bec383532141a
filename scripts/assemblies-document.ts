import { STARTING_FIGURES, type Amount, type Assembly } from '@/core/assemblies/assembly';
import { ASSEMBLIES } from '@/core/assemblies/catalogue';
import { AREA_KINDS } from '@/core/sites/area';
import { TRADES } from '@/core/sequence/trades';
import { workFacts } from '@/core/sequence/works';

const amount = (assembly: Assembly, of: Amount): string =>
  of
    .map((part) => (typeof part === 'number' ? String(part) : (assembly.asks[part]?.label ?? part).toLowerCase()))
    .join(' × ');

const table = (head: readonly string[], rows: readonly (readonly string[])[]): string[] =>
  rows.length === 0
    ? []
    : [
        '',
        `| ${head.join(' | ')} |`,
        `|${head.map(() => '---').join('|')}|`,
        ...rows.map((row) => `| ${row.join(' | ')} |`),
      ];

function section(assembly: Assembly): string[] {
  const { title, says, kinds, asks, lines, goods, works, steps, choices, questions, cautions } = assembly;
  const said = [
    ['In', kinds.map((kind) => AREA_KINDS[kind]).join(', ')],
    [
      'Asks',
      Object.values(asks)
        .map(({ label, unit, drawn }) => `${label.toLowerCase()} (${unit}${drawn ? ', drawn' : ''})`)
        .join('; '),
    ],
    ['Plans', works.map((work) => workFacts(work).label).join(', ')],
    ['Adds steps', steps.map(({ text, trade }) => `${text} (${TRADES[trade].toLowerCase()})`).join('; ')],
    ['To be chosen', choices.map(({ category, lead }) => `${category} (${lead[0]} to ${lead[1]} days)`).join('; ')],
    ['Asked on site', questions.map(({ subject, options }) => `${subject}: ${options.join(' or ')}`).join('; ')],
    ['Careful', cautions.join(' ')],
  ];
  return [
    '',
    `## ${title}`,
    '',
    `“${says}.”`,
    ...table(
      ['line', 'how much', 'whose', 'hours for one'],
      lines.map((line) => [
        `${line.verb} ${line.subject}`,
        `${amount(assembly, line.of)}, ${line.unit}`,
        TRADES[line.trade].toLowerCase(),
        String(line.hours),
      ]),
    ),
    ...table(
      ['goods', 'how much', 'one', 'waste'],
      goods.map((each) => [
        each.what,
        amount(assembly, each.of),
        each.unit === 'pieces' ? `${each.pack} with each` : `${each.pack} ${each.unit}`,
        `${Math.round(each.waste * 100)} %`,
      ]),
    ),
    '',
    ...said.filter(([, text]) => text !== '').map(([name, text]) => `* **${name}**: ${text}`),
  ];
}

/** Every assembly with its lines, goods, steps, source and cautions. */
export const assembliesDocument = (): string =>
  [
    '# Assemblies',
    '',
    'Made by `npm run calculations` from `src/core/assemblies`; a test holds it to them. Hours are those of the people',
    `added up. ${STARTING_FIGURES} Nothing here sizes what carries: that is an engineer’s, and the local code’s.`,
    ...ASSEMBLIES.flatMap(section),
    '',
  ].join('\n');
