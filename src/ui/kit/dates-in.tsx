'use client';
import type { ReactNode } from 'react';
import { writeDatesIn, type DateWords } from '@/core/units/date-words';

/** Everything below it writes days and hours in these words; set while it is drawn, before anything below it is. */
export function DatesIn({ words, children }: { words: DateWords; children: ReactNode }) {
  writeDatesIn(words);
  return children;
}
