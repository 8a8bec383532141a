'use client';
import { Button } from 'react-bootstrap';
import { adoptMeasurement } from '@/contract/commands/walks';
import type { RoomView } from '@/contract/views/job';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';
import { Hidden } from '../kit/hidden';
import { Block } from '../kit/page';
import { Line, Lines } from '../kit/lines';

/** Where the tape says otherwise than the drawing: shown until one of them gives way. */
export function Conflicts({ view }: { view: RoomView }) {
  const { give, busy } = useSend();
  return (
    <Block heading="Measured otherwise than drawn">
      <Lines>
        {view.conflicts.map((conflict) => (
          <Line
            key={conflict.id}
            mark={<StateIcon kind="stop" />}
            beside={
              <Button
                size="sm"
                variant="outline-secondary"
                className="no-print"
                disabled={busy}
                onClick={() =>
                  void give(
                    adoptMeasurement,
                    { about: conflict.id },
                    { text: `${conflict.label} is drawn as measured.` },
                  )
                }
              >
                Put into the drawing<Hidden>: {conflict.label}</Hidden>
              </Button>
            }
          >
            {conflict.label}: {conflict.text}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}
