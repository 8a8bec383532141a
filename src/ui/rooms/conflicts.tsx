'use client';
import { Button } from 'react-bootstrap';
import { adoptMeasurement } from '@/contract/commands/walks';
import type { RoomView } from '@/contract/views/job';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';

/** Where the tape says otherwise than the drawing: shown until one of them gives way. */
export function Conflicts({ view }: { view: RoomView }) {
  const { give, busy } = useSend();
  return (
    <section>
      <div className="block-head">
        <h2>Measured otherwise than drawn</h2>
      </div>
      <ul className="lines">
        {view.conflicts.map((conflict) => (
          <li key={conflict.id}>
            <StateIcon kind="stop" />
            <div className="what">
              {conflict.label}: {conflict.text}
            </div>
            <Button
              size="sm"
              variant="outline-secondary"
              className="no-print"
              disabled={busy}
              onClick={() =>
                void give(adoptMeasurement, { about: conflict.id }, { text: `${conflict.label} is drawn as measured.` })
              }
            >
              Put into the drawing<span className="visually-hidden">: {conflict.label}</span>
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
