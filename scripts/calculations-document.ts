import { isAsk, type Ask } from '@/core/quantities/ask';
import { GROUPS, type Group } from '@/core/quantities/calculator';
import { CALCULATORS } from '@/core/quantities/registry';

const asked = (ask: Ask<unknown>): string => {
  const unit =
    ask.kind === 'length'
      ? 'mm'
      : ask.kind === 'fraction'
        ? 'part of one'
        : ask.kind === 'money'
          ? 'minor units'
          : (ask.unit ?? '');
  if (ask.kind === 'choice') return `${ask.label}: ${Object.keys(ask.choices ?? {}).join(' or ')}`;
  if (ask.kind === 'variants')
    return `${ask.label}: ${Object.entries(ask.variants ?? {})
      .map(([kind, parts]) => `${kind} (${Object.values(parts).map(asked).join(', ')})`)
      .join(' or ')}`;
  if (ask.kind === 'list')
    return (
      `${ask.label}: each ` +
      `${ask.of && (isAsk(ask.of) ? asked(ask.of) : Object.values(ask.of).map(asked).join(', '))}`
    );
  return `${ask.label}${unit ? ` (${unit})` : ''}${ask.optional ? ', may be left out' : ''}`;
};

/**
 * Every calculator with what it asks, its formula, where its figures come from and who decides: the page of sources.
 */
export function calculationsDocument(): string {
  const groups = (Object.keys(GROUPS) as Group[]).filter((group) =>
    CALCULATORS.some((calculator) => calculator.group === group),
  );
  return [
    '# The calculators and their sources',
    'Made by `npm run calculations` from the calculators themselves; a test keeps it true. Lengths are ' +
      'millimetres, areas m², volumes m³, money minor units. A calculation here is never an engineer’s approval; ' +
      'where a limit comes from a model code or guidance it is a default, and your local code and inspector decide.',
    ...groups.flatMap((group) => [
      `## ${GROUPS[group]}`,
      ...CALCULATORS.filter((calculator) => calculator.group === group).map((calculator) =>
        [
          `### ${calculator.title} (\`${calculator.name}\`)`,
          calculator.answers,
          '',
          `* asks: ${Object.entries(calculator.asks)
            .map(([name, ask]) => `\`${name}\` ${asked(ask)}`)
            .join('; ')}`,
          `* gives: ${Object.entries(calculator.gives)
            .map(([name, give]) => `\`${name}\` ${give.label}`)
            .join('; ')}`,
          `* how: ${calculator.formula}`,
          `* source: ${calculator.source}`,
          ...(calculator.decides ? [`* decides: ${calculator.decides}`] : []),
        ].join('\n'),
      ),
    ]),
  ]
    .join('\n\n')
    .concat('\n');
}
