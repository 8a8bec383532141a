'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { HOLD_KINDS, type HoldKind } from '@/contract/commands/sites';
import { fileObservation, unfileObservation, type FiledAs } from '@/contract/commands/walks';
import type { UnfiledView } from '@/contract/views/walk';
import { partySaid } from '@/core/narration/fields-said';
import { KIND_WORDS } from '@/core/walks/record-words';
import { CommandForm, TextField } from '../kit/form';
import { LinkButton } from '../kit/link-button';
import { MoneyField } from '../kit/measure-fields';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { Block } from '../kit/page';
import { Line, Lines } from '../kit/lines';

const WORDS: Record<FiledAs, string> = {
  scope: 'scope',
  finding: 'finding',
  assumption: 'assumption',
  change: 'change',
  wait: 'wait',
  selection: 'selection',
  remark: 'remark',
};
/** What each kind is likely to become, first the likeliest. */
const LIKELY: Partial<Record<UnfiledView['kind'], readonly FiledAs[]>> = {
  surprise: ['change', 'assumption', 'scope', 'remark'],
  scope: ['scope', 'change', 'remark'],
  assumption: ['assumption', 'remark'],
  selection: ['selection', 'remark'],
  order: ['wait', 'remark'],
  gate: ['wait', 'remark'],
  household: ['remark', 'wait'],
};

/** What was said and has no place yet: each put into it in one step, with a way back. */
export function Unfiled({ lines }: { lines: UnfiledView[] }) {
  const { give } = useSend();
  const place = (line: UnfiledView, filedAs: FiledAs, party?: HoldKind): void =>
    void give(
      fileObservation,
      { about: line.id, filedAs, target: newId(), ...(party ? { party } : {}) },
      {
        text: `“${line.text}” is ${filedAs === 'remark' ? 'a remark' : `among the ${WORDS[filedAs]}s`}.`,
        back: 'It waits for its place again.',
      },
    );
  const open = lines.filter((line) => line.filedAs === null).length;
  return (
    <Block
      aria-label="To be put in its place"
      heading={
        open === 0
          ? 'Everything said has its place'
          : `${open} ${open === 1 ? 'finding' : 'findings'} to decide: change, assumption, scope or note`
      }
    >
      <Lines>
        {lines.map((line) => (
          <Line key={line.id} mark={<StateIcon kind={line.filedAs ? 'done' : 'open'} />}>
            <span className="soft small-text">{KIND_WORDS[line.kind]}</span> {line.text}{' '}
            <span className="soft">· {line.area}</span>
            {line.filedAs ? (
              <div className="small-text soft">
                now a {WORDS[line.filedAs]}
                {line.href && (
                  <>
                    , <Link href={line.href}>to it</Link>
                  </>
                )}{' '}
                <button
                  type="button"
                  className="btn btn-link btn-sm p-0"
                  onClick={() =>
                    void give(unfileObservation, { about: line.id }, { text: 'It waits for its place again.' })
                  }
                >
                  Take back<Hidden> {line.text}</Hidden>
                </button>
              </div>
            ) : (
              <div className="chips mt-1">
                {(LIKELY[line.kind] ?? ['remark']).map((filedAs) =>
                  filedAs === 'wait' ? (
                    <WaitFor key={filedAs} line={line} onPlace={(party) => place(line, filedAs, party)} />
                  ) : filedAs === 'change' ? (
                    <ChangeOf key={filedAs} line={line} />
                  ) : (
                    <button key={filedAs} type="button" className="chip" onClick={() => place(line, filedAs)}>
                      {WORDS[filedAs]}
                      <Hidden>: {line.text}</Hidden>
                    </button>
                  ),
                )}
              </div>
            )}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

/** A change in one step: with its price and its days, where somebody knows them. */
function ChangeOf({ line }: { line: UnfiledView }) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <button type="button" className="chip" onClick={() => setOpen(true)}>
        change
        <Hidden>: {line.text}</Hidden>
      </button>
    );
  return (
    <CommandForm
      kind={fileObservation}
      about={line.text}
      className="w-100"
      submit="Make it a draft change"
      start={() => ({ about: line.id, filedAs: 'change' as const, target: newId(), halfDays: 2 })}
      beside={<LinkButton onClick={() => setOpen(false)}>Cancel</LinkButton>}
    >
      <div className="form-pair">
        <MoneyField name="price" label="It costs (may stay open)" hint="before overhead and tax" />
        <TextField name="halfDays" label="Half-days it takes" type="number" />
      </div>
    </CommandForm>
  );
}

/** A wait says whom it is for: read from the words where they name somebody, and always the person's own choice. */
function WaitFor({ line, onPlace }: { line: UnfiledView; onPlace: (party: HoldKind) => void }) {
  const [party, setParty] = useState<HoldKind>(line.kind === 'gate' ? 'inspection' : partySaid(line.text));
  return (
    <span className="d-inline-flex gap-1 align-items-center">
      <Form.Select
        size="sm"
        aria-label={`Whom it waits for: ${line.text}`}
        value={party}
        onChange={(event) => setParty(event.target.value as HoldKind)}
      >
        {HOLD_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {WAITS_FOR[kind]}
          </option>
        ))}
      </Form.Select>
      <button type="button" className="chip" onClick={() => onPlace(party)}>
        wait
        <Hidden>: {line.text}</Hidden>
      </button>
    </span>
  );
}

const WAITS_FOR: Record<HoldKind, string> = {
  'close-in': 'a check before closing',
  client: 'the client',
  engineer: 'the engineer',
  association: 'the association',
  authority: 'the authority',
  inspection: 'an inspection',
  neighbour: 'a neighbour',
  weather: 'the weather',
  unknown: 'not known yet',
};
