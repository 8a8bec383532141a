'use client';
import { trustClock } from '@/contract/commands/firm';
import type { MachineView } from '@/contract/views/firm';
import { LinkButton } from '../kit/link-button';
import { FoldedBlock } from '../kit/page';
import { useSend } from '../kit/use-send';

/** What the firm is kept on: how old its newest backup is, how much room is left, whether its clock can be right. */
export const Machine = ({ machine: { backup, nightly, room, clock } }: { machine: MachineView }) => (
  <FoldedBlock
    heading="The machine"
    says={backup ? `newest backup of ${backup.when}, ${room.free} of room left` : 'no backup yet'}
    open={Boolean(clock) || room.low || !backup || backup.old || !nightly}
  >
    {clock && <Clock clock={clock} />}
    <p className={room.low ? 'bad mt-2 mb-1' : 'mt-2 mb-1'}>
      Room: {room.free} left; the firm takes {room.taken}.
      {room.low &&
        ' Below 200 MB no pictures, recordings and PDFs are taken in: pictures and recordings wait on their telephones.'}
    </p>
    {backup ? (
      <p className={backup.old ? 'bad mt-2 mb-1' : 'mt-2 mb-1'}>
        The newest backup is of {backup.when}, {backup.megabytes} MB: <code>{backup.file}</code>
      </p>
    ) : (
      <p className="bad mt-2 mb-1">There is no backup yet.</p>
    )}
    <p className={nightly ? 'mb-1' : 'bad mb-1'}>
      {nightly
        ? 'One is made every night while the program runs.'
        : 'Backups of each night are switched off where the program was started.'}
    </p>
    <p className="small-text soft">
      On the machine: npm run backup -- FILE makes one at once, npm run restore -- FILE brings it back into an empty
      folder. A backup on the same machine does not survive its loss: copy it to another.
    </p>
  </FoldedBlock>
);

function Clock({ clock }: { clock: NonNullable<MachineView['clock']> }) {
  const { busy, give } = useSend();
  return (
    <p className="bad mt-2 mb-1">
      Its clock shows {clock.shows}, but records were kept until {clock.latest}. Until it is put right, time goes on
      from there. If it is the records that came at a wrong time:{' '}
      <LinkButton
        disabled={busy}
        onClick={() => void give(trustClock, {}, { text: 'What is recorded from now on has the time of the machine.' })}
      >
        The clock is right now
      </LinkButton>
    </p>
  );
}
