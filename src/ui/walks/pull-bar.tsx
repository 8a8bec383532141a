'use client';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { WalkArea } from '@/contract/views/walk';
import { thickness } from '../kit/ladder';

const tenth = (fraction: number): number => Math.min(1, Math.max(0, Math.round(fraction * 10) / 10));

/** One step of the ladder lying down: tap or drag to where the work stands, digits for tenths, the tick for done. */
export function PullBar({ step, onSet }: { step: WalkArea['steps'][number]; onSet: (fraction: number) => void }) {
  const bar = useRef<HTMLDivElement>(null);
  const [pulled, setPulled] = useState<number>();
  const fraction = pulled ?? step.fraction;
  const at = (event: PointerEvent): number => {
    const box = bar.current?.getBoundingClientRect();
    return box ? tenth((event.clientX - box.left) / box.width) : step.fraction;
  };
  const set = (value: number): void => {
    setPulled(undefined);
    if (tenth(value) !== step.fraction) onSet(tenth(value));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const to = /^\d$/.test(event.key)
      ? Number(event.key) / 10
      : event.key === 'Home'
        ? 0
        : event.key === 'End'
          ? 1
          : event.key === 'PageUp'
            ? step.fraction + 0.1
            : event.key === 'PageDown'
              ? step.fraction - 0.1
              : undefined;
    if (to === undefined) return;
    event.preventDefault();
    set(to);
  };
  const percent = Math.round(fraction * 100);
  return (
    <div className="pull">
      <span className={`phase ${fraction > 0 && fraction < 1 ? 'fw-bold' : ''}`}>{step.label}</span>
      <div
        ref={bar}
        className="bar"
        role="slider"
        tabIndex={0}
        data-phase={step.phase}
        aria-label={`${step.label}, how far`}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={percent}
        aria-valuetext={percent === 100 ? 'done' : `${percent} %`}
        onKeyDown={onKeyDown}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setPulled(at(event));
        }}
        onPointerMove={(event) => {
          if (pulled !== undefined) setPulled(at(event));
        }}
        onPointerUp={(event) => {
          if (pulled !== undefined) set(at(event));
        }}
        onPointerCancel={() => setPulled(undefined)}
      >
        <span className="inner">
          {fraction > 0 && <span className="clear" style={{ width: `${fraction * 100}%` }} />}
          {fraction < 1 && <span className={`misted mist-${thickness(fraction)}`} />}
          {fraction > 0 && fraction < 1 && (
            <span className="percent">
              <span>{percent}</span>
            </span>
          )}
        </span>
      </div>
      <button
        type="button"
        className="finish"
        aria-pressed={fraction >= 1}
        aria-label={`${step.label} done`}
        onClick={() => set(fraction >= 1 ? 0 : 1)}
      >
        {fraction >= 1 && <TickOnFill />}
      </button>
    </div>
  );
}

const TickOnFill = () => (
  <svg className="state-mark" viewBox="0 0 16 16" aria-hidden="true">
    <path d="M2.5 8.5 6.2 12.4 13.5 3.6" fill="none" stroke="#fff" strokeWidth="2.6" />
  </svg>
);
