'use client';
import { setNewsRules } from '@/contract/commands/firm';
import type { FirmView } from '@/contract/views/firm';
import { formatTime } from '@/core/units/date-words';
import { counted } from '@/core/words/count';
import { CheckField, CommandForm, SelectField, TextField } from '../kit/form';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Block } from '../kit/page';

/** What goes out by itself; nothing unless it was wished for. */
export function NewsRules({ rules, onOpen }: { rules: FirmView['rules']; onOpen?: (() => void) | undefined }) {
  const { tellHour, tellSoon, remindSubDays, remindClientDays } = rules;
  const said = [
    tellHour === null ? '' : `What moved is told at ${formatTime(`${tellHour}:00`)}.`,
    tellSoon ? 'What concerns today or tomorrow is told ten minutes after the plan stands.' : '',
    remindSubDays === null ? '' : `Subs without an answer are asked once more after ${counted(remindSubDays, 'day')}.`,
    remindClientDays === null
      ? ''
      : `Clients hear of a decision once more ${counted(remindClientDays, 'day')} before it is due.`,
  ].filter(Boolean);
  return (
    <Block
      heading="What is told by itself"
      beside={
        onOpen && (
          <LinkButton className="push" onClick={onOpen}>
            Change
          </LinkButton>
        )
      }
    >
      {said.length === 0 ? (
        <p className="soft mt-2">Nothing: what moved waits under News and on the schedule until somebody tells it.</p>
      ) : (
        <Lines>
          {said.map((text) => (
            <Line key={text}>{text}</Line>
          ))}
        </Lines>
      )}
    </Block>
  );
}

const hours = (): (readonly [string, string])[] =>
  Array.from({ length: 15 }, (_, at) => [String(at + 6), formatTime(`${at + 6}:00`)] as const);

export function NewsRulesForm({ rules, onDone }: { rules: FirmView['rules']; onDone: () => void }) {
  const { tellHour, tellSoon, remindSubDays, remindClientDays } = rules;
  return (
    <CommandForm
      kind={setNewsRules}
      submit="Save"
      onDone={onDone}
      start={() => ({
        tellSoon,
        ...(tellHour === null ? {} : { tellHour }),
        ...(remindSubDays === null ? {} : { remindSubDays }),
        ...(remindClientDays === null ? {} : { remindClientDays }),
      })}
    >
      <p className="small-text soft mb-0">
        Everybody gets one message with all that is theirs. Letters to clients are never sent by themselves: only that
        their job ends on another day. Who has no address stays on the list of those to be called.
      </p>
      <SelectField name="tellHour" label="What moved is told" none="when somebody presses" options={hours()} />
      <CheckField name="tellSoon" label="What concerns today or tomorrow at once, ten minutes after the plan stands" />
      <TextField
        name="remindSubDays"
        label="Days without an answer after which a sub is asked once more"
        hint="Empty: never."
        type="number"
      />
      <TextField
        name="remindClientDays"
        label="Days before a decision is due on which its client hears of it once more"
        hint="Empty: never."
        type="number"
      />
    </CommandForm>
  );
}
