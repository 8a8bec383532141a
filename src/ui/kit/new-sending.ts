import { newId } from '../offline/send';

/** A message that is about to be made, with a link of its own. */
export const newSending = (name: string, address: string, expiresOn: string) => ({
  updateId: newId(),
  messageId: newId(),
  linkId: newId(),
  name,
  address,
  expiresOn,
});
