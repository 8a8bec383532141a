'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { setRetention } from '@/contract/commands/firm';
import { erasureSchema, type ErasureAnswer } from '@/contract/erasure';
import { api } from '@/contract/routes';
import type { FirmView } from '@/contract/views/firm';
import { counted } from '@/core/words/count';
import { DoorForm } from '../access/door-form';
import { CheckField, CommandForm, SelectField, TextField } from '../kit/form';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Notice } from '../kit/notice';
import { FoldedBlock } from '../kit/page';
import { SidePanel } from '../kit/side-panel';

const KINDS = [
  ['recordings', 'Recordings of what was said on walks (the text stays)'],
  ['origins', 'From which address and device somebody outside answered'],
  ['neighbours', 'Names and numbers of the neighbours of closed jobs'],
] as const;

const saysOf = (retention: FirmView['retention']): string => {
  const letGo = KINDS.filter(([kind]) => retention[kind] !== null).length;
  return letGo === 0 ? 'nothing is let go by itself' : `${letGo} of ${KINDS.length} let go by themselves`;
};

/** What is let go by itself, and taking one person out of everything. */
export function KeptOfPeople({ view }: { view: FirmView }) {
  const [open, setOpen] = useState<'retention' | 'erase'>();
  const close = (): void => setOpen(undefined);
  const { retention } = view;
  return (
    <FoldedBlock
      heading="What is kept of people"
      says={saysOf(retention)}
      open={view.erasures.some(({ still }) => still > 0)}
      beside={
        <LinkButton className="push" onClick={() => setOpen('retention')}>
          Change
        </LinkButton>
      }
    >
      <Lines>
        {KINDS.map(([kind, words]) => (
          <Line
            key={kind}
            beside={<span>{retention[kind] === null ? 'kept' : counted(retention[kind] ?? 0, 'month')}</span>}
          >
            {words}
          </Line>
        ))}
        {view.erasures.map(({ id, when, standIn, times, still }) => (
          <Line key={id} beside={<span className={still > 0 ? 'bad' : 'soft'}>{when}</span>}>
            {standIn} was taken out of {counted(times, 'place')};{' '}
            {still > 0 ? `${counted(still, 'place')} could not be cleared` : 'nothing is left in the file'}
          </Line>
        ))}
      </Lines>
      <LinkButton onClick={() => setOpen('erase')}>Take somebody out of everything</LinkButton>
      <SidePanel title="What is let go" open={open === 'retention'} onClose={close}>
        <CommandForm
          kind={setRetention}
          submit="Save"
          onDone={close}
          start={() => ({
            ...(retention.recordings === null ? {} : { recordings: retention.recordings }),
            ...(retention.origins === null ? {} : { origins: retention.origins }),
            ...(retention.neighbours === null ? {} : { neighbours: retention.neighbours }),
          })}
        >
          <p className="small-text soft mb-0">
            After so many months, each night. Ask who knows the law of your place how long you have to keep what.
          </p>
          {KINDS.map(([kind, words]) => (
            <TextField key={kind} name={kind} label={`${words}: months`} hint="Empty: kept." type="number" />
          ))}
        </CommandForm>
      </SidePanel>
      <SidePanel title="Take somebody out of everything" open={open === 'erase'} onClose={close}>
        <Erase people={view.people.filter(({ state }) => state === 'closed')} />
      </SidePanel>
    </FoldedBlock>
  );
}

/** First it is looked where they are named, then it is done: nobody takes it back. */
function Erase({ people }: { people: FirmView['people'] }) {
  const router = useRouter();
  const [answer, setAnswer] = useState<ErasureAnswer>();
  if (answer && 'standIn' in answer) return <Done answer={answer} />;
  return (
    <DoorForm
      schema={erasureSchema}
      to={api.erasure()}
      start={{ words: '', person: '', sure: false }}
      submit={answer ? 'Go on' : 'Look where they are named'}
      fallback="words"
      onDone={(said) => {
        setAnswer(said as ErasureAnswer);
        if ('standIn' in (said as ErasureAnswer)) router.refresh();
      }}
    >
      <p className="small-text soft mb-0">
        Their name, address and numbers are replaced wherever they are written: in records, letters, plans and the diary
        of what was done. What they did stays, without their name. Pictures, recordings and PDFs are not looked into.
      </p>
      <TextField
        name="words"
        rows={4}
        label="Name, address, telephone, each on a line of its own"
        hint="Ida Marrow, then ida@marrow.example, then 0555 0142. A first name alone is taken out wherever it stands, of others too."
      />
      {people.length > 0 && (
        <SelectField
          name="person"
          label="Who has left the firm"
          none="somebody else: a client, a neighbour, a sub"
          options={people.map(({ id, name }) => [id, name] as const)}
        />
      )}
      {answer && (
        <>
          <Places places={answer.places} />
          <CheckField name="sure" label="Take them out of all of it. Nobody brings it back." />
        </>
      )}
    </DoorForm>
  );
}

function Places({ places }: Pick<ErasureAnswer, 'places'>) {
  if (places.length === 0) return <p className="mb-0">They are named nowhere.</p>;
  return (
    <Lines>
      {places.map(({ where, times }) => (
        <Line key={where} beside={<span>{counted(times, 'time')}</span>}>
          {where}
        </Line>
      ))}
    </Lines>
  );
}

function Done({
  answer: { still, standIn, places, backups },
}: {
  answer: Extract<ErasureAnswer, { standIn: string }>;
}) {
  return (
    <>
      <Notice bad={still > 0}>
        {still > 0
          ? `They were taken out, but in ${counted(still, 'place')} of the file a word still stands: call whoever runs the machine.`
          : `They are ${standIn} now. The file was looked through: none of these words is left in it.`}
      </Notice>
      <Places places={places} />
      <p className="small-text soft">{backupWords(backups)} Telephones drop what they hold at their next connection.</p>
    </>
  );
}

const backupWords = (backups: string | null): string =>
  backups === null
    ? 'Backups of each night are switched off here; copies elsewhere are yours to delete.'
    : `Backups of before still name them: they lie in ${backups}, and the last of them goes in a fortnight. Copies elsewhere ` +
      'are yours to delete.';
