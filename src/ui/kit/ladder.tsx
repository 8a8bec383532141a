import type { AreaView, Rung } from '@/contract/views/job';
import { StateIcon } from './state-icon';

/** How thick the mist still lies: 4 for untouched down to 1 for nearly clear. */
export const thickness = (fraction: number): 1 | 2 | 3 | 4 =>
  fraction <= 0 ? 4 : fraction < 0.35 ? 3 : fraction < 0.7 ? 2 : 1;

const share = (fraction: number): { flexGrow: number; flexBasis: 0 } => ({ flexGrow: fraction, flexBasis: 0 });

export function RungCell({ rung }: { rung: Pick<Rung, 'fraction'> }) {
  return (
    <span className="rung">
      {rung.fraction > 0 && <span className="clear" style={share(rung.fraction)} />}
      {rung.fraction < 1 && (
        <span className={`misted mist-${thickness(rung.fraction)}`} style={share(1 - rung.fraction)} />
      )}
    </span>
  );
}

/** The first step that is not done: the level line lies under it. */
const frontOf = (rungs: readonly Rung[]): number => {
  const at = rungs.findIndex((rung) => rung.fraction < 1);
  return at === -1 ? rungs.length : at;
};

/** Room for the words of the front below its line, as a share of the ladder. */
const ROOM_FOR_WORDS = 0.16;
/** A hold this many steps above the front or less is named on the ladder. */
const HOLDS_SHOWN_WITHIN = 4;

/** An area's track, standing, first phase at the foot. Said in words by whoever places it; this is the picture. */
export function Ladder({ area, short }: { area: Pick<AreaView, 'rungs' | 'standing' | 'front'>; short?: boolean }) {
  const { rungs } = area;
  if (rungs.length === 0) return <span className="ladder untouched d-block" aria-hidden="true" />;
  const front = frontOf(rungs);
  const height = (front + (front < rungs.length ? (rungs[front]?.fraction ?? 0) : 0)) / rungs.length;
  return (
    <span className="ladder" aria-hidden="true">
      {rungs.map((rung) => (
        <RungCell key={rung.phase} rung={rung} />
      ))}
      {height > 0 && height < 1 && (
        <span className="front" style={{ bottom: `${height * 100}%` }}>
          {height > (short ? 0.3 : ROOM_FOR_WORDS) && area.front && (
            <span>{short ? area.front.label : `${area.front.label}, ${area.front.day}`}</span>
          )}
        </span>
      )}
      {holdBars(rungs, front).map(({ at, near, hold }) => (
        <span
          key={at}
          className={`hold ${near ? (area.standing === 'stuck' ? 'stuck' : '') : 'far'}`}
          style={{
            bottom: `min(${(Math.max(at, height * rungs.length) / rungs.length) * 100}% + 2px, 100% - ${near ? 19 : 6}px)`,
          }}
        >
          {near && <span className="words">{hold.label}</span>}
        </span>
      ))}
    </span>
  );
}

/** The nearest hold with its words, those further up as thin bars. */
function holdBars(rungs: readonly Rung[], front: number) {
  const named = rungs.findIndex(
    (rung, index) => rung.hold && rung.fraction < 1 && rung.hold.kind !== 'phase' && index < front + HOLDS_SHOWN_WITHIN,
  );
  return rungs.flatMap((rung, index) => {
    if (!rung.hold || rung.fraction >= 1) return [];
    // Those that the named one would cover are left out.
    if (named !== -1 && index !== named && Math.abs(index - named) / rungs.length < ROOM_FOR_WORDS) return [];
    return [{ at: index, near: index === named, hold: rung.hold }];
  });
}

/** The caption of an area with its mark. */
export function Caption({ area }: { area: Pick<AreaView, 'standing' | 'caption'> }) {
  return (
    <span className={`caption ${area.standing === 'stuck' ? 'stuck' : area.standing === 'waiting' ? 'waiting' : ''}`}>
      {area.standing === 'under way' && <StateIcon kind="under-way" />}
      {area.standing === 'done' && <StateIcon kind="done" />}
      {area.caption}
    </span>
  );
}
