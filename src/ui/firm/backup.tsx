import type { FirmView } from '@/contract/views/firm';
import { Block } from '../kit/page';

/** How old the newest backup is, and what to do about it. */
export const Backup = ({ backup }: Pick<FirmView, 'backup'>) => (
  <Block heading="Backup">
    {backup ? (
      <p className={backup.old ? 'bad mt-2 mb-1' : 'mt-2 mb-1'}>
        The newest is of {backup.when}, {backup.megabytes} MB: <code>{backup.file}</code>
      </p>
    ) : (
      <p className="bad mt-2 mb-1">There is none yet. One is made every night while the program runs.</p>
    )}
    <p className="small-text soft">
      On the machine: npm run backup -- FILE makes one at once, npm run restore -- FILE brings it back into an empty
      folder. A backup on the same machine does not survive its loss: copy it to another.
    </p>
  </Block>
);
