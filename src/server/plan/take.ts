import { handlers } from '../door/handler';
import { currentVersion } from '../reading/plan';
import { readFirm } from '../reading/reading';
import { unprocessable } from '../refusal';
import { foundPlan, foundTaken } from '../schedule/plan-search';
import { rowsOfPlan, storePlan } from './store-plan';

/** The better plan that a longer look proposed becomes the plan. */
export const takeHandlers = handlers({
  'plan.take': (context, { version }) => {
    const plan = version === currentVersion(context.db) ? foundPlan(context.db, version) : undefined;
    if (!plan)
      throw unprocessable(
        'plan-changed',
        'The plan has changed since this one was found; look again from there.',
        'version',
      );
    const causes = [{ kind: 'better-order', record: context.command } as const];
    storePlan(context.db, rowsOfPlan(readFirm(context.installation), plan, context.now, causes, undefined, true));
    foundTaken(context.db);
  },
});
