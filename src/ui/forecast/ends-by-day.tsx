'use client';
import type { ChartData, ChartOptions } from 'chart.js';
import { Chart as Drawn } from 'react-chartjs-2';
import { formatDate } from '@/core/units/day';
import type { Day } from '@/core/units/day';
import { lastDay } from '@/core/units/slot';
import { useInks } from '../schedule/charts';

/** How often the job ended on each day; days after the promise stand out. */
export function EndsByDay({
  counts,
  origin,
  promise,
  label,
}: {
  /** By slot after the last half-day. */
  counts: readonly number[];
  origin: Day;
  promise: number | null;
  label: string;
}) {
  const inks = useInks();
  if (!inks) return <div className="chart" />;
  const runs = counts.reduce((sum, count) => sum + count, 0);
  const days = new Map<Day, { count: number; late: boolean }>();
  let first = counts.findIndex((count) => count > 0);
  if (first < 0) first = 0;
  const last = counts.findLastIndex((count) => count > runs / 1000);
  for (let slot = first; slot <= last; slot++) {
    const day = lastDay(origin, slot);
    const known = days.get(day) ?? { count: 0, late: promise !== null && slot > promise };
    days.set(day, { ...known, count: known.count + (counts[slot] ?? 0) });
  }
  const shares = [...days.values()].map(({ count }) => (100 * count) / Math.max(1, runs));
  const data: ChartData<'bar'> = {
    labels: [...days.keys()].map((day) => formatDate(day)),
    datasets: [
      {
        label: 'of a hundred runs',
        data: shares,
        backgroundColor: [...days.values()].map(({ late }) => (late ? inks['--clay'] : inks['--spruce'])),
        barPercentage: 1,
        categoryPercentage: 0.92,
      },
    ],
  };
  const options: ChartOptions<'bar'> = {
    responsive: true,
    maintainAspectRatio: false,
    scales: {
      y: {
        beginAtZero: true,
        ticks: { color: inks['--ink-soft'], maxTicksLimit: 4, callback: (value) => `${value} %` },
        grid: { color: inks['--mist-deep'] },
      },
      x: { ticks: { color: inks['--ink-soft'], maxRotation: 0, autoSkipPadding: 14 }, grid: { display: false } },
    },
    plugins: { legend: { display: false } },
  };
  return (
    <div className="chart">
      <Drawn aria-label={label} type="bar" data={data} options={options} />
    </div>
  );
}
