import type { ProblemDocument } from '@/contract/command';
import type { PreviewView } from '@/contract/views/plan';
import type { Actor } from '../door/actor';
import type { Installation } from '../installation';
import { compared, picture } from '../plan/compare';
import { readAhead } from '../reading/ahead';
import { readFirm } from '../reading/reading';
import { seenBy } from '../rights/sees';
import { refuseWhereServed } from '../serving';
import { wouldBe } from './would-be';

/** What a command would do to the plan, without doing it: the plans before and after are placed alike. */
export function preview(
  installation: Installation,
  who: Actor,
  input: unknown,
): { problem: ProblemDocument } | { view: PreviewView } {
  refuseWhereServed('A preview');
  const before = readFirm(installation);
  installation.db.transaction(() => readAhead(before))();
  const after = wouldBe(installation, who, input);
  if ('problem' in after) return after;
  return { view: compared(before, picture(before), picture(after.firm), seenBy(installation.db, who)) };
}
