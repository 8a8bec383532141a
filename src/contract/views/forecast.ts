import type { PlayedNetwork } from '@/core/forecast/played';

/** What a forecast of a job is played from, in a worker of whoever looks at it. */
export interface ForecastView {
  job: { id: string; name: string };
  net: PlayedNetwork;
  /** What the job's open tasks are called. */
  names: Record<string, string>;
  /** The last day as it is planned, and as it was promised. */
  planned: string;
  promise: string | null;
  /** Finished steps that it learned from; 0 where the firm has no records yet. */
  records: number;
  /** Whether the usual weather by month was entered. */
  weather: boolean;
}
