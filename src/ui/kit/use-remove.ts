'use client';
import { removeLine, type Removable } from '@/contract/commands/scope';
import { useSend } from './use-send';

/** Takes a thing away at once, with a way back in the line at the foot. */
export function useRemove(): (of: Removable, id: string, words: string) => void {
  const { give } = useSend();
  return (of, id, words) =>
    void give(
      removeLine,
      { of, id },
      {
        text: `${words} was taken away.`,
        back: `${words} is back.`,
      },
    );
}
