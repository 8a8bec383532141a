import type { AccountView } from '@/contract/views/firm';
import { asksForCode } from '../accounts/codes';
import { sessionsOf } from '../accounts/sessions';
import type { Installation } from '../installation';
import { accountRows } from '../reading/firm';
import { readFirm } from '../reading/reading';
import { whenSeen } from '../words';

/** One's own account, as whoever is in it sees it. @param session the one that asks */
export function accountView(installation: Installation, id: string, session: string | undefined): AccountView {
  const firm = readFirm(installation);
  const account = accountRows(firm).find((row) => row.id === id);
  return {
    ...{ name: account?.name ?? '', email: account?.email ?? null, demo: installation.demo },
    codes: asksForCode(installation.db, id),
    sessions: sessionsOf(installation.db, id).map(({ id: one, device, source, seen_at }) => ({
      ...{ id: one, device, source, seen: whenSeen(seen_at, firm), here: one === session },
    })),
  };
}
