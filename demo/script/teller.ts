import type { CommandAnswer } from '@/contract/command';
import type { CommandType, Input } from '@/contract/commands';
import { addDays, type Day } from '@/core/units/day';
import { instantIn, type Zone } from '@/core/units/zone';
import { standingClock } from '@/server/clock';
import { dispatch } from '@/server/dispatch/dispatch';
import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { demoId } from '../ids';

/** Tells the story of the demo through the one door, each command at the hour at which it was said. */
export class Teller {
  private count = 0;
  constructor(
    readonly installation: Installation,
    readonly start: Day,
    private readonly zone: Zone,
    private readonly now: Date,
  ) {}

  when(day: number, hour: number, minute = 0): Date {
    return new Date(instantIn(this.zone, addDays(this.start, day), hour).getTime() + minute * 60_000);
  }

  /** Nothing is told before it happened: a demo that begins at dawn has its morning's news at once. */
  at(date: Date): void {
    this.installation.clock = standingClock(date < this.now ? date : this.now);
  }

  say<Type extends CommandType>(type: Type, payload: Input<Type>, who?: Actor): CommandAnswer {
    const contractor: Actor = who ?? {
      kind: 'person',
      id: demoId('person', 'maren'),
      name: 'Maren',
      role: 'contractor',
    };
    const answer = dispatch(this.installation, contractor, {
      id: demoId('command', String(this.count++)),
      type,
      at: this.installation.clock.now().toISOString(),
      payload,
    });
    if (answer.status === 'refused')
      throw new Error(
        `The demo's ${type} was refused: ${JSON.stringify(answer.problem)} ${JSON.stringify(payload).slice(0, 300)}`,
      );
    return answer;
  }
}
