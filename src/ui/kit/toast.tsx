'use client';
import { createContext, use, useCallback, useRef, useState, type ReactNode } from 'react';

interface Saying {
  text: string;
  undo?: () => void;
}

const SHOWN_MS = 7_000;
const Say = createContext<(saying: Saying) => void>(() => undefined);
/** Tells in a line at the foot that something was kept, with a way back where there is one. */
export const useToast = (): ((saying: Saying) => void) => use(Say);

export function ToastProvider({ children }: { children: ReactNode }) {
  const [saying, setSaying] = useState<Saying>();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  // The next line stays too where somebody points at the place of the one before.
  const held = useRef(false);
  const restart = useCallback(() => {
    clearTimeout(timer.current);
    if (!held.current) timer.current = setTimeout(() => setSaying(undefined), SHOWN_MS);
  }, []);
  const hold = (): void => {
    held.current = true;
    restart();
  };
  const fade = (): void => {
    held.current = false;
    restart();
  };
  const say = useCallback(
    (next: Saying) => {
      setSaying(next);
      restart();
    },
    [restart],
  );
  const undo = saying?.undo;
  return (
    <Say value={say}>
      {children}
      <div className="said" role="status" aria-live="polite">
        {saying && (
          // Whoever points at it or has come to it by key is about to use it.
          <div onPointerEnter={hold} onPointerLeave={fade} onFocus={hold} onBlur={fade}>
            <span>{saying.text}</span>
            {undo && (
              <button
                type="button"
                onClick={() => {
                  held.current = false;
                  setSaying(undefined);
                  undo();
                }}
              >
                Undo
              </button>
            )}
          </div>
        )}
      </div>
    </Say>
  );
}
