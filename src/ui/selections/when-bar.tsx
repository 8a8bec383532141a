import type { SelectionView } from '@/contract/views/selections';
import { addDays, daysBetween, formatDay, type Day } from '@/core/units/day';

/** What lies behind today on a bar, and how far it looks at most. */
const BEHIND_DAYS = 14;
const LEAST_DAYS = 42;
const MOST_DAYS = 126;

/** The days that the bars of one table show: the same for all, so that they are read against each other. */
export function spanOf(items: readonly SelectionView[], today: Day): { from: Day; days: number } {
  const last = items.reduce(
    (far, { needBy, there }) => [far, needBy ?? '', there?.day ?? ''].sort().at(-1) ?? far,
    today,
  );
  const ahead = Math.max(LEAST_DAYS, Math.min(MOST_DAYS, daysBetween(today, last) + 7));
  return { from: addDays(today, -BEHIND_DAYS), days: ahead + BEHIND_DAYS };
}

interface Terms {
  item: SelectionView;
  today: Day;
  span: { from: Day; days: number };
}

/** When it is to be decided and ordered, how long it is on its way, and when it is needed, against today. */
export function WhenBar({ item, today, span }: Terms) {
  const at = (day: Day): number => Math.max(0, Math.min(100, (100 * daysBetween(span.from, day)) / span.days));
  const { needBy, decideBy, orderBy, orderedOn, there, expectedOn, cameOn } = item;
  const settled = item.due.what === 'settled';
  const leaves = orderedOn ?? (orderBy !== null && orderBy < today ? today : orderBy);
  const comes = cameOn ?? expectedOn ?? there?.day ?? null;
  const late = comes !== null && needBy !== null && comes > needBy;
  return (
    <>
      <span className="when-bar" role="img" aria-label={barWords(item, today)}>
        {leaves && comes && leaves <= comes && (
          <span
            className={`way${late ? ' late' : ''}${settled ? ' here' : ''}`}
            style={{ insetInlineStart: `${at(leaves)}%`, width: `${Math.max(1, at(comes) - at(leaves))}%` }}
          />
        )}
        <span className="now" style={{ insetInlineStart: `${at(today)}%` }} />
        {item.due.what === 'decide' && decideBy && (
          <span className="decide" style={{ insetInlineStart: `${at(decideBy)}%` }} />
        )}
        {needBy && <span className="need" style={{ insetInlineStart: `${at(needBy)}%` }} />}
      </span>
      <span className="small-text" aria-hidden="true">
        {needBy ? `needed ${formatDay(needBy, today)}` : ''}
      </span>
    </>
  );
}

function barWords({ decideBy, orderBy, orderedOn, there, needBy, due }: SelectionView, today: Day): string {
  return [
    due.what === 'decide' && decideBy ? `decide by ${formatDay(decideBy, today)}` : '',
    orderedOn
      ? `ordered ${formatDay(orderedOn, today)}`
      : orderBy && due.what !== 'settled'
        ? `order by ${formatDay(orderBy, today)}`
        : '',
    there ? `there ${formatDay(there.day, today)}` : '',
    needBy ? `needed ${formatDay(needBy, today)}` : 'no day yet',
  ]
    .filter(Boolean)
    .join(', ');
}
