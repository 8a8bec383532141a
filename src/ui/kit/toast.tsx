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
  const say = useCallback((next: Saying) => {
    clearTimeout(timer.current);
    setSaying(next);
    timer.current = setTimeout(() => setSaying(undefined), SHOWN_MS);
  }, []);
  const undo = saying?.undo;
  return (
    <Say value={say}>
      {children}
      <div className="said" role="status" aria-live="polite">
        {saying && (
          <div>
            <span>{saying.text}</span>
            {undo && (
              <button
                type="button"
                onClick={() => {
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
