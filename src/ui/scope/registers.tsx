'use client';
import { keepSalvage } from '@/contract/commands/selections';
import type { ScopePageView } from '@/contract/views/scope';
import { KEPT_WORDS, REGISTERS, type Register, type RegisterEntry } from '@/core/scope/register';
import { capital } from '@/core/words/letters';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';
import { Line, Lines } from '../kit/lines';
import { Block } from '../kit/page';
import { useSend } from '../kit/use-send';
import { WordForm } from '../kit/word-form';

const ORDER = Object.keys(REGISTERS) as Register[];

/** What is protected, to be fitted again, or kept for use again: with what or where, and whether that is over. */
export function Registers({ view }: { view: ScopePageView }) {
  if (view.register.length === 0) return null;
  const names = new Map(view.areas.map((area) => [area.id, area.name]));
  return (
    <div className="columns registers">
      {ORDER.filter((register) => view.register.some((entry) => entry.register === register)).map((register) => (
        <Block key={register} heading={REGISTERS[register]}>
          <Lines>
            {view.register
              .filter((entry) => entry.register === register)
              .map((entry) => (
                <Entry key={entry.id} entry={entry} area={entry.area ? (names.get(entry.area) ?? '') : ''} />
              ))}
          </Lines>
        </Block>
      ))}
    </div>
  );
}

function Entry({ entry, area }: { entry: RegisterEntry; area: string }) {
  const { give } = useSend();
  const { of, id, version, register, what, place, kept } = entry;
  const words = KEPT_WORDS[register];
  const settle = (next: RegisterEntry['kept'], at = '') =>
    give(
      keepSalvage,
      { of, id, version, kept: next, place: at },
      { text: `${what}: ${words[next]}.`, back: `${what}: ${words[kept]}.` },
    );
  return (
    <Line
      beside={
        <span className="no-print d-flex gap-2">
          {kept === 'kept' ? (
            <>
              <LinkButton onClick={() => void settle('back')}>
                {capital(words.back)}
                <Hidden>: {what}</Hidden>
              </LinkButton>
              <LinkButton onClick={() => void settle('gone')}>
                {capital(words.gone)}
                <Hidden>: {what}</Hidden>
              </LinkButton>
            </>
          ) : (
            <LinkButton onClick={() => void settle('kept')}>
              {capital(words.kept)} again<Hidden>: {what}</Hidden>
            </LinkButton>
          )}
        </span>
      }
    >
      {what} {area && <span className="soft small-text">{area}</span>}
      <div className={`small-text ${place ? 'soft' : 'soon'}`}>
        {words[kept]}
        {place ? `, ${register === 'protect' ? `with ${place}` : place}` : kept === 'kept' ? askFor(register) : ''}
      </div>
      {!place && kept === 'kept' && (
        <WordForm
          className="mt-1 no-print"
          label={`${register === 'protect' ? 'With what' : 'Where it is kept'}: ${what}`}
          placeholder={register === 'protect' ? 'boards, film, felt …' : 'in the shed, on the landing …'}
          submit="Save"
          most={120}
          missing={register === 'protect' ? 'Say with what it is protected.' : 'Say where it is kept.'}
          onKeep={(said) => void settle('kept', said)}
        />
      )}
    </Line>
  );
}

const askFor = (register: Register): string =>
  register === 'protect' ? ', nobody has said with what' : ', nobody has said where';
