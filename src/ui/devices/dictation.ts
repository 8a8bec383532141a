import type { Cue } from '@/core/narration/captions';
import type { WalkArea } from '@/contract/views/walk';

/**
 * Dictation: hears somebody speak and gives timed captions. A real recogniser and the simulated one are the same to who
 * listens.
 */
export interface Dictation {
  /** Begins to listen; `onEnd` comes once, when nothing more is heard. @returns stops it */
  listen: (onCue: (cue: Cue) => void, onEnd: () => void) => () => void;
  simulated: boolean;
}

const WORDS_A_SECOND = 2.6;
const WORDS_A_CUE = 8;
/** The stand-in speaks faster than people, so that nobody waits for it. */
const FASTER = 6;
const MOST_AREAS = 4;

/** What the stand-in says on a walk: a few areas of the job, each with how far it is and what is left. */
export function spokenWalk(areas: readonly WalkArea[]): string {
  const busy = areas
    .filter((area) => area.steps.some((step) => step.fraction > 0 && step.fraction < 1))
    .slice(0, MOST_AREAS);
  const said = (busy.length > 0 ? busy : areas.slice(0, MOST_AREAS)).map((area, index) => {
    const step = area.steps.find((entry) => entry.fraction < 1 && entry.trade !== 'nobody') ?? area.steps[0];
    const far = Math.min(95, Math.round((step?.fraction ?? 0) * 100) + 20);
    return [
      `okay ${area.name.toLowerCase()}`,
      step ? `the ${step.label} is about ${far} percent` : 'nothing happening in here',
      [
        'there are still two boxes to move up',
        'mind the loose board by the door',
        'they want the shelf on the other wall now',
        'the clear width is eight hundred and ten millimetres',
      ][index % 4],
    ].join(' ');
  });
  return `morning this is the round for today ${said.join(' ')} that is all for now`;
}

/** Plays a text as somebody would say it. */
export function simulatedDictation(text: string): Dictation {
  return {
    simulated: true,
    listen: (onCue, onEnd) => {
      const words = text.split(' ');
      let at = 0;
      let clock = 0;
      const timer = setInterval(
        () => {
          if (at >= words.length) {
            clearInterval(timer);
            return onEnd();
          }
          const part = words.slice(at, at + WORDS_A_CUE);
          at += part.length;
          const end = clock + part.length / WORDS_A_SECOND;
          onCue({ start: clock, end, text: part.join(' ') });
          clock = end;
        },
        (WORDS_A_CUE / WORDS_A_SECOND / FASTER) * 1000,
      );
      let ended = false;
      return () => {
        clearInterval(timer);
        if (!ended && at < words.length) onEnd();
        ended = true;
      };
    },
  };
}
