import type { PlanFinding } from '../schedule/plan-findings';
import { formatDay, type Day } from '../units/day';
import { daysOf } from './count';
import { phrase, type Phrase } from './phrase';
import { sayReason } from './reason';
import { sayWait } from './wait';
import { sayWork } from './work';

/** What stands out in a plan, as whole sentences. @param job what its job is called */
export const sayFinding = (finding: PlanFinding, job: (id: string) => string, today: Day): Phrase =>
  phrase(findingWords(finding, job, today));

function findingWords(finding: PlanFinding, job: (id: string) => string, today: Day): string {
  const on = (day: Day): string => formatDay(day, today);
  switch (finding.of) {
    case 'open-too-long':
      return (
        `${sayWork(finding.work)} stands open for ${daysOf(finding.halfDays)}, and ${daysOf(finding.most)} is the most ` +
        `that is right: ${finding.why}. What helps: ${finding.cure}.`
      );
    case 'open-in-rain':
      return (
        `${sayWork(finding.work)} is open when rain comes on ${on(finding.day)}: ${finding.why}. ` +
        `What helps: ${finding.cure}.`
      );
    case 'pin':
      return (
        `${sayWork(finding.work)} cannot be on ${on(finding.day)}, where it was fixed (${sayWait(finding.wait, today)}). ` +
        sayReason(finding.reason, today)
      );
    case 'promise':
      return `${job(finding.job)} ends ${on(finding.ends)}; ${on(finding.promised)} was promised.`;
    case 'trip':
      return (
        `${finding.crew} leaves ${job(finding.job)} on ${on(finding.left)} and comes back on ${on(finding.back)} for ` +
        `${sayWork(finding.work)}.`
      );
    case 'gap':
      return (
        `${finding.crew} has nothing from ${on(finding.from)} until ${sayWork(finding.work)} at ${job(finding.job)} on ` +
        `${on(finding.until)}: ${daysOf(finding.halfDays)}.`
      );
  }
}
