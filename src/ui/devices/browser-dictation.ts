import type { Dictation } from './dictation';

/** What browsers that can hear offer; it is in no standard types yet. */
interface Recogniser {
  continuous: boolean;
  interimResults: boolean;
  lang: string;
  onresult:
    | ((event: { resultIndex: number; results: ArrayLike<{ isFinal: boolean; 0: { transcript: string } }> }) => void)
    | null;
  onerror: ((event: { error: string }) => void) | null;
  onend: (() => void) | null;
  start: () => void;
  stop: () => void;
}

const recogniser = (): (new () => Recogniser) | undefined => {
  const here = globalThis as unknown as Record<string, new () => Recogniser>;
  return here.SpeechRecognition ?? here.webkitSpeechRecognition;
};

export const canHear = (): boolean => recogniser() !== undefined;

const REFUSED: Readonly<Record<string, string>> = {
  'not-allowed':
    'The microphone is refused. Allow it in the browser’s settings for this page, or drop what was said as text.',
  'service-not-allowed': 'This browser does not let pages hear speech. Drop what was said as text instead.',
  'audio-capture': 'No microphone was found. Plug one in, or drop what was said as text.',
  network: 'This browser hears only with a signal. Record it with the phone, and drop its captions here later.',
};

/** The browser’s own ear, where it has one; some only hear with a signal. */
export function browserDictation(onProblem: (words: string) => void): Dictation {
  return {
    simulated: false,
    listen: (onCue, onEnd) => {
      const Known = recogniser();
      if (!Known) {
        onEnd();
        return () => undefined;
      }
      const ear = new Known();
      const began = performance.now();
      let last = 0;
      let over = false;
      ear.continuous = true;
      ear.interimResults = false;
      ear.lang = navigator.language;
      ear.onresult = ({ resultIndex, results }) => {
        const end = (performance.now() - began) / 1000;
        for (let at = resultIndex; at < results.length; at++) {
          const result = results[at];
          if (result?.isFinal) onCue({ start: last, end, text: result[0].transcript.trim() });
        }
        last = end;
      };
      ear.onerror = ({ error }) => {
        // A silence is no error: walks have many.
        if (error === 'no-speech' || error === 'aborted') return;
        over = true;
        onProblem(REFUSED[error] ?? 'Hearing stopped. What was heard so far is kept.');
      };
      // Browsers end by themselves after a while of silence; whoever walks on is heard on.
      ear.onend = () => {
        if (over) onEnd();
        else ear.start();
      };
      try {
        ear.start();
      } catch {
        onProblem(REFUSED['not-allowed'] ?? '');
        onEnd();
      }
      // What was said last is still to come: the end is when the ear says so.
      return () => {
        over = true;
        ear.stop();
      };
    },
  };
}
