'use client';
import { useMemo } from 'react';
import type { Role } from '@/contract/command';
import type { SequenceView } from '@/contract/views/plan';
import { Sequence } from './sequence';

/**
 * The page from its view as one text: a house has ten thousand values, and what is handed to the browser is looked at value
 * by value.
 */
export function PackedSequence({ view, role }: { view: string; role: Role }) {
  return <Sequence role={role} view={useMemo(() => JSON.parse(view) as SequenceView, [view])} />;
}
