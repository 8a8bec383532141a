import {
  sidesOf,
  STATEMENT_PART_KEYS,
  STATEMENT_PARTS,
  type Statement,
  type StatementDiff,
  type StatementLine,
} from '@/core/scope/statement';
import { formatMoney } from '@/core/units/money';
import { formatDay } from '@/core/units/day';
import { InclusionIcon } from './inclusion-icon';

/**
 * A statement as its client reads it: area by area in and out side by side, then what depends, what is allowed for, and
 * the rest.
 */
export function StatementBody({ content }: { content: Statement }) {
  return (
    <div className="statement">
      {content.areas.map((area) => {
        const { into, out } = sidesOf(area.lines);
        return (
          <section key={area.id}>
            <div className="block-head">
              <h2>{area.name}</h2>
              <span className="soft small-text">{area.place}</span>
            </div>
            <div className="sides">
              <div>
                <h3>In</h3>
                <Lines lines={into} marks none="nothing" />
              </div>
              <div>
                <h3>Not included</h3>
                <Lines lines={out} marks={false} none="nothing named" />
              </div>
            </div>
          </section>
        );
      })}
      {STATEMENT_PART_KEYS.filter((part) => content[part].length > 0).map((part) => (
        <section key={part}>
          <div className="block-head">
            <h2>{STATEMENT_PARTS[part]}</h2>
          </div>
          <Lines lines={content[part]} marks={false} none="" />
        </section>
      ))}
      <p className="soft small-text mt-4 mb-0">
        As of {formatDay(content.day)}. What is hidden can only be known once it is opened; structure, gas and
        electricity are done and checked by licensed people and by the authority. Amounts include no tax unless they say
        so.
      </p>
    </div>
  );
}

function Lines({ lines, marks, none }: { lines: readonly StatementLine[]; marks: boolean; none: string }) {
  if (lines.length === 0) return <p className="soft small-text mb-0 mt-1">{none}</p>;
  return (
    <ul className="lines">
      {lines.map((line) => (
        <li key={line.key}>
          <div className="what">
            {line.text}
            {line.note && <div className="small-text soft">{line.note}</div>}
          </div>
          {line.amount !== undefined && <span className="mono">{formatMoney(line.amount)}</span>}
          {marks && line.stance && line.stance !== 'in' && (
            <span className="small-text">
              <InclusionIcon stance={line.stance} />
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}

/** What a later version says otherwise. */
export function StatementChanges({ diff, against }: { diff: StatementDiff; against: number }) {
  const none = diff.added.length + diff.removed.length + diff.changed.length === 0;
  return (
    <section className="sheet mb-3">
      <h2>What changed since version {against}</h2>
      {none && <p className="soft mb-0">Nothing.</p>}
      <ul className="lines">
        {diff.added.map((line) => (
          <li key={line.key}>
            <span className="change-word">new</span>
            <div className="what">
              <span className="fw-bold">{line.where}</span> {line.text}
            </div>
          </li>
        ))}
        {diff.changed.map(({ from, to }) => (
          <li key={to.key}>
            <span className="change-word">now</span>
            <div className="what">
              <span className="fw-bold">{to.where}</span> {to.text}
              {to.note ? ` (${to.note})` : ''}
              <div className="small-text soft">
                was:{' '}
                <s>
                  {from.text}
                  {from.note ? ` (${from.note})` : ''}
                  {from.where === to.where ? '' : `, under ${from.where}`}
                </s>
              </div>
            </div>
          </li>
        ))}
        {diff.removed.map((line) => (
          <li key={line.key}>
            <span className="change-word">gone</span>
            <div className="what">
              <span className="fw-bold">{line.where}</span> <s>{line.text}</s>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
