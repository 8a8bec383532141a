'use client';
import { useState } from 'react';
import { recordObservation, type RecordedObservation } from '@/contract/commands/walks';
import type { WalkArea } from '@/contract/views/walk';
import { TRADE_KEYS, TRADES } from '@/core/sequence/trades';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { newId } from '../offline/send';
import type { Walking } from './use-walk';

const KINDS = { remaining: 'Still to do', note: 'Note', caution: 'Caution' } as const;
type Kind = keyof typeof KINDS;

/** One line for anything else: remaining work with its trade and quantity, a note, a caution. */
export function LineForm({ area, walking, onDone }: { area: WalkArea; walking: Walking; onDone: () => void }) {
  const [kind, setKind] = useState<Kind>('remaining');
  const trade = area.steps.find((step) => step.fraction < 1 && step.trade !== 'nobody')?.trade ?? 'carpentry';
  const deliver = (payload: { observation?: unknown }): Promise<{ ok: true; result: null }> => {
    const { id: _, walk: __, ...seen } = payload.observation as Extract<RecordedObservation, { kind: Kind }>;
    walking.record(seen, `${KINDS[kind]}: ${seen.text}`);
    return Promise.resolve({ ok: true, result: null });
  };
  return (
    <div className="form-panel">
      <div className="kind-of-line" role="group" aria-label="What kind of line">
        {(Object.keys(KINDS) as Kind[]).map((one) => <button key={one} type="button" aria-pressed={kind === one} onClick={() => setKind(one)}>{KINDS[one]}</button>)}
      </div>
      <CommandForm key={kind} kind={recordObservation} submit="Keep" deliver={deliver} onDone={onDone} beside={<button type="button" className="btn btn-link" onClick={onDone}>Leave</button>}
        start={() => ({ observation: { id: newId(), walk: newId(), area: area.id, kind, text: '', ...(kind === 'remaining' ? { trade } : {}) } })}>
        <TextField name="observation.text" label={kind === 'remaining' ? 'What is still to do' : kind === 'note' ? 'What you saw' : 'What to beware of'} rows={2} />
        {kind === 'remaining' && (
          <>
            <div className="form-pair"><TextField name="observation.quantity" label="How many" type="number" /><TextField name="observation.unit" label="of what" hint="pieces, m, m²" /></div>
            <SelectField name="observation.trade" label="Whose work" options={TRADE_KEYS.filter((one) => one !== 'nobody').map((one) => [one, TRADES[one]])} />
          </>
        )}
      </CommandForm>
    </div>
  );
}
