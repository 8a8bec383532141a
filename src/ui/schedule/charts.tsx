'use client';
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartData,
  type ChartOptions,
} from 'chart.js';
import { useSyncExternalStore } from 'react';
import { Chart as Drawn } from 'react-chartjs-2';
import type { ProgressView } from '@/contract/views/progress';
import { formatDate } from '@/core/units/day';

Chart.register(
  LineController,
  LineElement,
  PointElement,
  BarController,
  BarElement,
  LinearScale,
  CategoryScale,
  Tooltip,
  Legend,
);
Chart.defaults.font.family = "'Archivo Variable', sans-serif";
Chart.defaults.animation = false;

const INKS = ['--ink', '--ink-soft', '--spruce', '--tide', '--clay', '--mist-line', '--mist-deep'] as const;
type Inks = Record<(typeof INKS)[number], string>;

const darkness = '(prefers-color-scheme: dark)';
const subscribe = (tell: () => void): (() => void) => {
  const query = window.matchMedia(darkness);
  query.addEventListener('change', tell);
  const chosen = new MutationObserver(tell);
  chosen.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => {
    query.removeEventListener('change', tell);
    chosen.disconnect();
  };
};

/**
 * The look's own colours, read where they are set so that day and evening have theirs; none before the page is in a
 * browser.
 */
export function useInks(): Inks | undefined {
  const mode = useSyncExternalStore(
    subscribe,
    () => `${document.documentElement.dataset['theme'] ?? ''} ${String(window.matchMedia(darkness).matches)}`,
    () => 'nowhere',
  );
  if (mode === 'nowhere') return undefined;
  const style = getComputedStyle(document.documentElement);
  return Object.fromEntries(INKS.map((ink) => [ink, style.getPropertyValue(ink).trim() || '#15262b'])) as Inks;
}

/** Work done against planned over time, in per cent of all work. */
export function OverTime({ view }: { view: ProgressView }) {
  const inks = useInks();
  const { weeks, planned, done, ahead } = view.overTime;
  if (!inks) return <div className="chart" />;
  const line = (label: string, data: (number | null)[], ink: keyof Inks, dash: number[] = []) => ({
    type: 'line' as const,
    label,
    data,
    borderColor: inks[ink],
    backgroundColor: inks[ink],
    borderWidth: 2.5,
    borderDash: dash,
    pointRadius: 0,
    spanGaps: false,
    tension: 0,
  });
  const data: ChartData<'line'> = {
    labels: weeks.map((week) => formatDate(week)),
    datasets: [
      line('agreed', planned, '--ink-soft', [2, 3]),
      line('done', done, '--spruce'),
      line('as planned now', ahead, '--tide', [7, 4]),
    ],
  };
  const options: ChartOptions<'line'> = {
    responsive: true,
    maintainAspectRatio: false,
    interaction: { mode: 'index', intersect: false },
    scales: {
      y: {
        min: 0,
        max: 100,
        ticks: { color: inks['--ink-soft'], callback: (value) => `${value} %` },
        grid: { color: inks['--mist-deep'] },
      },
      x: { ticks: { color: inks['--ink-soft'], maxRotation: 0, autoSkipPadding: 14 }, grid: { display: false } },
    },
    plugins: {
      legend: { labels: { color: inks['--ink'], usePointStyle: true, pointStyle: 'line', pointStyleWidth: 34 } },
    },
  };
  return (
    <div className="chart">
      <Drawn
        aria-label={
          `Work over time in per cent: now ${Math.round(100 * view.done)} ` +
          `done${view.planned === null ? '' : `, ${Math.round(100 * view.planned)} were agreed for this week`}.`
        }
        type="line"
        data={data}
        options={options}
      />
    </div>
  );
}

/** A trade's work a week against what its crews can do. */
export function Load({ name, weeks, work, most }: { name: string; weeks: string[]; work: number[]; most: number[] }) {
  const inks = useInks();
  if (!inks) return <div className="chart small" />;
  const over = work.map((entry, index) => entry > (most[index] ?? 0));
  const data: ChartData<'bar' | 'line'> = {
    labels: weeks.map((week) => formatDate(week)),
    datasets: [
      {
        type: 'bar',
        label: 'half-days of work',
        data: work,
        backgroundColor: work.map((_, index) => (over[index] ? inks['--clay'] : inks['--spruce'])),
        barPercentage: 0.75,
      },
      {
        type: 'line',
        label: 'what its crews can do',
        data: most,
        borderColor: inks['--ink'],
        borderWidth: 1.5,
        pointRadius: 0,
        stepped: 'middle',
      },
    ],
  };
  const options: ChartOptions<'bar'> = {
    responsive: true,
    maintainAspectRatio: false,
    scales: {
      y: {
        beginAtZero: true,
        ticks: { color: inks['--ink-soft'], precision: 0, maxTicksLimit: 4 },
        grid: { color: inks['--mist-deep'] },
      },
      x: { ticks: { color: inks['--ink-soft'], maxRotation: 0, autoSkipPadding: 8 }, grid: { display: false } },
    },
    plugins: { legend: { display: false } },
  };
  return (
    <div className="chart small">
      <Drawn
        aria-label={`${name}: half-days of work by week ${work.join(', ')}; crews can do ${most.join(', ')}.`}
        type="bar"
        data={data as never}
        options={options}
      />
    </div>
  );
}
