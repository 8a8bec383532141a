import type { Trigger } from '@/core/safety/triggers';
import { SIGNS } from '@/core/walks/shorthand';
import { StateIcon } from '../kit/state-icon';

/** A line with a sign in front, in place of the one it had. */
export const withSign = (typed: string, sign: string): string => `${sign} ${typed.replace(/^[+!#>?*~=^&$]\s*/, '')}`;

/** The signs that say what a line is, for thumbs. */
export const Signs = ({ onSign }: { onSign: (sign: string) => void }) => (
  <div className="signs" role="group" aria-label="Signs">
    {SIGNS.map(([sign, word, example]) => (
      <button key={sign} type="button" title={example} onClick={() => onSign(sign)}>
        <span className="mono" aria-hidden="true">
          {sign}
        </span>{' '}
        {word}
      </button>
    ))}
  </div>
);

/** What can hurt somebody in what is being written down. */
export const Raised = ({ triggers }: { triggers: readonly Trigger[] }) =>
  triggers.map((trigger) => (
    <p key={trigger.id} className="notice bad mt-2 mb-0">
      <StateIcon kind="hazard" />{' '}
      <span>
        {trigger.text} <span className="small-text">({trigger.source})</span>
      </span>
    </p>
  ));
