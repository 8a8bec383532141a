import type { PlacedAnswer } from '@/contract/views/advice';
import { counted } from '@/core/words/count';

export const isLate = ({ late }: PlacedAnswer): boolean => late !== null && late > 0;

const days = (count: number): string => counted(Math.abs(count), 'worked day');

export const againstPromise = (late: number): string =>
  late === 0 ? 'as promised' : `${days(late)} ${late > 0 ? 'after the promise' : 'before the promise'}`;

export const tripsSaid = (trips: number): string =>
  trips === 0 ? 'as many' : `${Math.abs(trips)} ${trips > 0 ? 'more' : 'fewer'}`;
