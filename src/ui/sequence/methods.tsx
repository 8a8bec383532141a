'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { chooseMethod } from '@/contract/commands/knowledge';
import type { PreviewView, MethodView, SequenceView } from '@/contract/views/plan';
import { askEffect, Effect } from '../kit/effect';
import { Notice } from '../kit/notice';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { FoldedBlock } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

/**
 * Ways of working in which both variants are right somewhere: picked for the job or one area, after looking at what it
 * would do.
 */
export function Methods({ view }: { view: SequenceView }) {
  const [open, setOpen] = useState<string>();
  const picked = view.methods.filter(({ chosen, areas }) => chosen !== null || areas.length > 0).length;
  return (
    <FoldedBlock
      heading="Ways of working"
      of="word.method"
      says={picked > 0 ? `${picked} picked, the rest as usual` : 'all in the usual order'}
    >
      <p className="soft small-text mt-2 mb-1">
        Both ways are right somewhere. What is not picked follows the usual order.
      </p>
      <Lines>
        {view.methods.map((method) => (
          <Line
            key={method.key}
            small
            beside={
              open !== method.key && (
                <LinkButton onClick={() => setOpen(method.key)}>
                  Choose<Hidden>: {method.title}</Hidden>
                </LinkButton>
              )
            }
          >
            <span className="fw-bold">{method.title}</span>: {said(method)}
            {method.from === 'firm' && <span className="soft"> (the firm’s way)</span>}
            {method.areas.map((area) => (
              <div key={area.id} className="soft">
                {area.name}:{' '}
                {method.variants.find((variant) => variant.key === area.variant)?.label ?? 'the usual order'}
              </div>
            ))}
            {open === method.key && <Choose view={view} method={method} onDone={() => setOpen(undefined)} />}
          </Line>
        ))}
      </Lines>
    </FoldedBlock>
  );
}

const said = (method: MethodView): string =>
  method.variants.find((variant) => variant.key === method.chosen)?.label ?? 'the usual order';

function Choose({ view, method, onDone }: { view: SequenceView; method: MethodView; onDone: () => void }) {
  const [variant, setVariant] = useState(method.chosen ?? '');
  const [where, setWhere] = useState(view.job.id);
  const [effect, setEffect] = useState<PreviewView | string>();
  const [asking, setAsking] = useState(false);
  const { busy, give } = useSend();
  const payload = () => ({
    id: newId(),
    method: method.key,
    ...(where === 'firm' ? {} : { job: view.job.id }),
    ...(where === 'firm' || where === view.job.id ? {} : { area: where }),
    ...(variant === '' ? {} : { variant }),
    asWider: false,
  });
  const look = async (): Promise<void> => {
    setAsking(true);
    const answer = await askEffect(chooseMethod, payload());
    setAsking(false);
    setEffect('view' in answer ? answer.view : answer.problem);
  };
  const change = (set: () => void): void => {
    set();
    setEffect(undefined);
  };
  return (
    <fieldset className="mt-2">
      <legend className="visually-hidden">{method.title}</legend>
      {[{ key: '', label: 'the usual order', why: 'as the steps are written' }, ...method.variants].map((entry) => (
        <Form.Check
          key={entry.key}
          type="radio"
          id={`method-${method.key}-${entry.key}`}
          name={`method-${method.key}`}
          checked={variant === entry.key}
          onChange={() => change(() => setVariant(entry.key))}
          label={
            <>
              <span className="fw-medium">{entry.label}</span>
              <span className="soft d-block">{entry.why}</span>
            </>
          }
        />
      ))}
      <Form.Select
        size="sm"
        className="my-2"
        aria-label="Where it counts"
        value={where}
        onChange={(event) => change(() => setWhere(event.target.value))}
      >
        <option value={view.job.id}>in this whole job</option>
        {view.areas.map((area) => (
          <option key={area.id} value={area.id}>
            in {area.name} alone
          </option>
        ))}
        <option value="firm">in the whole firm</option>
      </Form.Select>
      {typeof effect === 'string' ? <Notice bad>{effect}</Notice> : effect && <Effect view={effect} />}
      <div className="actions">
        {effect && typeof effect !== 'string' ? (
          <Button
            size="sm"
            disabled={busy}
            onClick={() =>
              void give(chooseMethod, payload(), { text: `${method.title}: kept; the plan follows.` }).then(
                (kept) => kept && onDone(),
              )
            }
          >
            Use it
          </Button>
        ) : (
          <Button size="sm" variant="outline-secondary" disabled={asking} onClick={() => void look()}>
            {asking ? 'Placing all work…' : 'What would it do?'}
          </Button>
        )}
        <Button size="sm" variant="link" onClick={onDone}>
          Cancel
        </Button>
      </div>
    </fieldset>
  );
}
