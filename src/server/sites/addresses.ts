import { isNumber } from '@/core/news/address';
import { execute } from '../database/query';
import { handlers, requireRow } from '../door/handler';
import { moveSubAddress } from '../firm/addresses';
import { unprocessable } from '../refusal';
import { sendAgain } from '../news/messages';
import { moveNeighbourAddress } from '../news/neighbours';

/** Addresses that were wrong, put right where that was seen. */
export const addressHandlers = handlers({
  'message.readdress': (context, { id, address }) => {
    const message = requireRow(context, 'message', id);
    const { job, sub, audience } = requireRow(context, 'share_link', message.share_link);
    if (audience === 'client' && isNumber(address))
      throw unprocessable(
        'client-by-mail',
        'A job keeps the e-mail of its client alone; write one like name@example.net.',
        'address',
      );
    sendAgain(context, message, address);
    if (sub) moveSubAddress(context.db, sub, message.address, address);
    if (audience === 'neighbour' && job) moveNeighbourAddress(context.db, job, message.address, address);
    if (audience === 'client')
      execute(
        context.db,
        'UPDATE job SET client_email = @address, version = version + 1 WHERE id = @job AND client_email = @was',
        { job, address, was: message.address },
      );
    context.logFor(requireRow(context, 'job_update', message.job_update).job);
  },
});
