import { sayReminder } from '@/core/words/visit-word';
import { dayOfSlot, isAfternoon } from '@/core/units/slot';
import { counted } from '@/core/words/count';
import { handlers, requireRow } from '../door/handler';
import { notifyClient, notifySub } from '../news/notify';
import { keepReminded } from '../news/reminders';
import { readPlan } from '../reading/plan';
import { unansweredVisits } from '../reading/visits';
import { unprocessable } from '../refusal';
import { today } from '../zone';

export const reminderHandlers = handlers({
  'visit.remind': (context, { subs }) => {
    const now = today(context.installation);
    const plan = readPlan(context.db);
    for (const { sub, ...to } of subs) {
      const { name } = requireRow(context, 'sub', sub, 'subs');
      const open = unansweredVisits(context.db, now).filter(({ crew }) => crew === sub);
      const visits = open.flatMap(({ task: id }) => {
        const task = plan?.tasks.find((one) => one.id === id);
        if (!plan || !task) return [];
        const at = { day: dayOfSlot(plan.origin, task.start), half: isAfternoon(task.start) ? 1 : 0 };
        return [{ task, job: requireRow(context, 'job', task.job).name, work: task.work, at }];
      });
      const [first] = visits;
      if (!first) throw unprocessable('nothing-open', `${name} has answered everything that was asked.`, 'subs');
      notifySub(context, sub, first.task.job, sayReminder(visits, name, now), to);
      for (const { task } of visits) keepReminded(context.db, { job: task.job, about: task.id, at: context.now });
    }
  },
  'decision.remind': (context, { job, decisions, ...to }) => {
    const { name } = requireRow(context, 'job', job, 'job');
    const title = `${name}: ${counted(decisions.length, 'thing')} for you to decide`;
    const body = [
      'So that nothing has to wait for it:',
      '',
      ...decisions.map(({ text }) => `- ${text}`),
      '',
      'You can answer on your page, or call us.',
    ].join('\n');
    notifyClient(context, job, { title, body }, to);
    for (const { key } of decisions) keepReminded(context.db, { job, about: key, at: context.now });
    context.logFor(job);
  },
});
