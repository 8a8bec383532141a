import {
  priceRows,
  sidesOf,
  taxWords,
  type StatementSums,
  STATEMENT_PART_KEYS,
  STATEMENT_PARTS,
  type Statement,
  type StatementDiff,
  type StatementLine,
} from '@/core/scope/statement';
import { formatMoney, type Currency } from '@/core/units/money';
import { formatDay } from '@/core/units/day';
import { InclusionIcon } from './inclusion-icon';
import { counted } from '@/core/words/count';
import { Block, FoldedBlock } from './page';
import { Sheet } from './sheet';
import { Line, Lines } from './lines';

/**
 * A statement as its client reads it: area by area in and out side by side, then what depends, what is allowed for, and
 * the rest. Whoever writes it sees the first part open and of each other what it comes to.
 */
export function StatementBody({ content, folded = false }: { content: Statement; folded?: boolean }) {
  return (
    <div className="statement">
      {content.areas.map((area, at) => {
        const { into, out } = sidesOf(area.lines);
        const sides = (
          <div className="sides">
            <div>
              <h3>In</h3>
              <StatementLines lines={into} marks none="nothing" currency={content.currency} />
            </div>
            <div>
              <h3>Not included</h3>
              <StatementLines lines={out} marks={false} none="nothing named" currency={content.currency} />
            </div>
          </div>
        );
        return folded && at > 0 ? (
          <FoldedBlock
            key={area.id}
            heading={area.name}
            says={`${area.place}: ${into.length} in, ${out.length > 0 ? `${out.length} not included` : 'nothing named as not included'}`}
          >
            {sides}
          </FoldedBlock>
        ) : (
          <Block key={area.id} heading={area.name} beside={<span className="soft small-text">{area.place}</span>}>
            {sides}
          </Block>
        );
      })}
      {content.sums && <StatementPrice sums={content.sums} currency={content.currency} />}
      {STATEMENT_PART_KEYS.filter((part) => content[part].length > 0).map((part) => {
        const lines = <StatementLines lines={content[part]} marks={false} none="" currency={content.currency} />;
        return folded ? (
          <FoldedBlock key={part} heading={STATEMENT_PARTS[part]} says={counted(content[part].length, 'line')}>
            {lines}
          </FoldedBlock>
        ) : (
          <Block key={part} heading={STATEMENT_PARTS[part]}>
            {lines}
          </Block>
        );
      })}
      <p className="soft small-text mt-4 mb-0">
        As of {formatDay(content.day)}. What is hidden can only be known once it is opened; structure, gas and
        electricity are done and checked by licensed people and by the authority.{' '}
        {content.sums && taxWords(content.sums)}
      </p>
    </div>
  );
}

function StatementLines({
  lines,
  marks,
  none,
  currency,
}: {
  lines: readonly StatementLine[];
  marks: boolean;
  none: string;
  currency: Currency;
}) {
  if (lines.length === 0) return <p className="soft small-text mb-0 mt-1">{none}</p>;
  return (
    <Lines>
      {lines.map((line) => (
        <Line
          key={line.key}
          beside={
            <>
              {line.amount !== undefined && <span className="mono">{formatMoney(line.amount, currency)}</span>}
              {marks && line.stance && line.stance !== 'in' && (
                <span className="small-text">
                  <InclusionIcon stance={line.stance} />
                </span>
              )}
            </>
          }
        >
          {line.text}
          {line.note && <div className="small-text soft">{line.note}</div>}
        </Line>
      ))}
    </Lines>
  );
}

/** The price from its first row to what is paid, and what still has to be chosen. */
function StatementPrice({ sums, currency }: { sums: StatementSums; currency: Currency }) {
  return (
    <Block heading="The price">
      <Lines>
        {priceRows(sums).map((row) => (
          <Line
            key={row.text}
            beside={<span className={`mono${row.strong ? ' fw-bold' : ''}`}>{formatMoney(row.amount, currency)}</span>}
          >
            <span className={row.strong ? 'fw-bold' : ''}>{row.text}</span>
          </Line>
        ))}
        {sums.toChoose.map((choice) => (
          <Line key={choice.text}>
            {choice.text}: to be chosen, and added to this:{' '}
            {choice.ways.map(({ name, amount }) => `${name} ${formatMoney(amount, currency)}`).join(' or ')}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

/** What a later version says otherwise. */
export function StatementChanges({ diff, against }: { diff: StatementDiff; against: number }) {
  const none = diff.added.length + diff.removed.length + diff.changed.length === 0;
  return (
    <Sheet className="mb-3">
      <h2>What changed since version {against}</h2>
      {none && <p className="soft mb-0">Nothing.</p>}
      <Lines>
        {diff.added.map((line) => (
          <Line key={line.key} mark={<span className="change-word">new</span>}>
            <span className="fw-bold">{line.where}</span> {line.text}
          </Line>
        ))}
        {diff.changed.map(({ from, to }) => (
          <Line key={to.key} mark={<span className="change-word">now</span>}>
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
          </Line>
        ))}
        {diff.removed.map((line) => (
          <Line key={line.key} mark={<span className="change-word">gone</span>}>
            <span className="fw-bold">{line.where}</span> <s>{line.text}</s>
          </Line>
        ))}
      </Lines>
    </Sheet>
  );
}
