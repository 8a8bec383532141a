import { Children, type ReactNode } from 'react';
import { PHASE_KEYS, phaseFacts, type Phase } from '@/core/sequence/phases';
import { RULES } from '@/core/sequence/rules';
import { TRADES } from '@/core/sequence/trades';
import { meaningOf, meaningsOf, type Explained } from '@/core/words/meanings';
import { counted } from '@/core/words/count';
import { FoldedBlock, PageHead } from '../kit/page';
import { StateIcon, type StateIconKind } from '../kit/state-icon';

/** What every mark, word, figure, state, step and rule means, in one line each; the page itself needs no script. */
export function Words() {
  return (
    <div className="page words-page">
      <PageHead heading="Words and marks">
        <span className="soft">What is shown, and what it means. Anywhere in the program: tap what is underlined.</span>
      </PageHead>
      <p className="actions no-print">
        {PARTS.map(([id, title]) => (
          <a key={id} href={`#${id}`}>
            {title}
          </a>
        ))}
      </p>
      <Part id="marks">
        {meaningsOf('mark').map(({ key, name, means }) => (
          <Entry key={key} id={key} name={name} mark={<Mark of={key} />}>
            {means}
          </Entry>
        ))}
      </Part>
      {(['word', 'figure', 'state'] as const).map((kind) => (
        <Part key={kind} id={`${kind}s`}>
          {meaningsOf(kind).map(({ key, name, means }) => (
            <Entry key={key} id={key} name={name}>
              {means}
            </Entry>
          ))}
        </Part>
      ))}
      <Part id="steps">
        {PHASE_KEYS.map((phase) => (
          <Step key={phase} phase={phase} />
        ))}
      </Part>
      <Part id="rules">
        {RULES.map(({ number, strength }) => {
          const meaning = meaningOf(`rule.${number}`);
          return (
            meaning && (
              <Entry
                key={number}
                id={`rule.${number}`}
                name={meaning.name}
                aside={strength === 'hard' ? 'must' : 'preference'}
              >
                {meaning.means}
              </Entry>
            )
          );
        })}
      </Part>
    </div>
  );
}

const PARTS = [
  ['marks', 'Marks'],
  ['words', 'Words'],
  ['figures', 'Figures'],
  ['states', 'States'],
  ['steps', 'Steps of the work'],
  ['rules', 'Rules of the order'],
] as const;

const titleOf = (id: string): string => PARTS.find(([part]) => part === id)?.[1] ?? '';

const Part = ({ id, children }: { id: (typeof PARTS)[number][0]; children: ReactNode }) => (
  <FoldedBlock
    id={id}
    heading={titleOf(id)}
    says={counted(Children.toArray(children).length, 'entry', 'entries')}
    open={id === 'marks'}
  >
    <dl className="meanings">{children}</dl>
  </FoldedBlock>
);

function Entry({
  id,
  name,
  mark,
  aside,
  children,
}: {
  id: Explained;
  name: string;
  mark?: ReactNode;
  aside?: string;
  children: ReactNode;
}) {
  return (
    <div id={id}>
      <dt>
        {mark} {name} {aside && <span className="soft fw-normal small-text">{aside}</span>}
      </dt>
      <dd>{children}</dd>
    </div>
  );
}

function Step({ phase }: { phase: Phase }) {
  const { plain, trade } = phaseFacts(phase);
  const meaning = meaningOf(`step.${phase}`);
  return (
    <Entry
      id={`step.${phase}`}
      name={meaning?.name ?? phase}
      aside={trade === 'nobody' ? 'nobody works' : TRADES[trade].toLowerCase()}
    >
      {meaning?.means} <span className="soft">To the client: {plain}.</span>
    </Entry>
  );
}

const ICONS: Partial<Record<Explained, StateIconKind>> = {
  'mark.mist': 'not-begun',
  'mark.under-way': 'under-way',
  'mark.done': 'done',
  'mark.checked': 'checked',
  'mark.open': 'open',
  'mark.waiting': 'waiting',
  'mark.will-stop': 'will-stop',
  'mark.stop': 'stop',
  'mark.hazard': 'hazard',
  'mark.late': 'late',
  'mark.confirmed': 'confirmed',
  'mark.unconfirmed': 'unconfirmed',
  'mark.delivery': 'delivery',
};
const SWATCHES: Partial<Record<Explained, string>> = {
  'mark.held': 'held',
  'mark.critical': 'critical',
  'mark.slip': 'float',
  'mark.pinned': 'pinned',
};

function Mark({ of }: { of: Explained }) {
  const [icon, swatch] = [ICONS[of], SWATCHES[of]];
  if (icon) return <StateIcon kind={icon} silent />;
  return swatch ? (
    <span className="legend d-inline m-0">
      <span className={`swatch ${swatch}`} />
    </span>
  ) : null;
}
