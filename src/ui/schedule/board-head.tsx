import { useState } from 'react';
import type { BoardView } from '@/contract/views/plan';
import { Hidden } from '../kit/hidden';
import { StateIcon } from '../kit/state-icon';
import { WeatherSign } from '../kit/weather-sign';

/** Where jobs end as planned and where they were promised to, by name over their lines. */
export const Ends = ({ view }: { view: BoardView }) => (
  <div className="when-line ends" aria-label="Ends and promises">
    {view.ends.map(({ slot, kind, job, late }) => (
      <span
        key={`${job}${kind}`}
        className={kind === 'ends' && late ? 'bad' : ''}
        style={{ gridColumn: `1 / ${slot + 1}`, gridRow: kind === 'ends' ? 1 : 2 }}
      >
        {job.split(' ')[0]} {kind === 'ends' ? 'ends' : 'promised'}
      </span>
    ))}
  </div>
);

/** Rain, wind and frost of the days ahead, where they are in the outlook: as signs where there is room for them. */
export function Weather({ view, wide }: { view: BoardView; wide: boolean }) {
  return (
    <div className="when-line weather">
      {view.days.map((day, index) => {
        const halves = view.weather.filter(({ slot }) => slot === 2 * index || slot === 2 * index + 1);
        if (halves.length === 0) return null;
        const words = halves.map(({ slot, text }) => `${slot % 2 === 0 ? 'morning' : 'afternoon'} ${text}`).join('; ');
        return (
          <div
            key={day.day}
            className="day-weather"
            style={{ gridColumn: `${2 * index + 1} / span 2` }}
            title={`${day.label}: ${words}`}
          >
            <Hidden>
              {day.label}: {words}
            </Hidden>
            {halves.map((half) =>
              wide || !day.worked ? (
                <span key={half.slot} aria-hidden="true" className={half.forbids ? 'wet' : 'fair'} />
              ) : (
                <span key={half.slot} aria-hidden="true" className={half.forbids ? 'forbids' : ''}>
                  <WeatherSign rain={half.rain} wind={half.wind} low={half.low} />
                </span>
              ),
            )}
          </div>
        );
      })}
    </div>
  );
}

const TONES = {
  hold: { name: 'waits', icon: 'will-stop' },
  delivery: { name: 'deliveries', icon: 'delivery' },
} as const;

/** Waits, or deliveries, over the days they fall on: the first in words, the others counted. */
export function Marks({ view, tone, wide }: { view: BoardView; tone: keyof typeof TONES; wide: boolean }) {
  const [open, setOpen] = useState<number>();
  const own = view.marks.filter((mark) => mark.tone === tone);
  if (own.length === 0) return null;
  const days = [...new Set(own.map(({ slot }) => slot - (slot % 2)))];
  const of = (day: number) => own.filter(({ slot }) => slot - (slot % 2) === day);
  const shown = open === undefined ? [] : of(open);
  return (
    <>
      <div className="small-text soft">
        {TONES[tone].name} {own.length}
      </div>
      <div>
        <div className="when-line marks">
          {days.map((day) => {
            const texts = of(day).map(({ text }) => text);
            return (
              <button
                key={day}
                type="button"
                style={{ gridColumn: `${day + 1} / span 2` }}
                aria-expanded={day === open}
                title={texts.join('\n')}
                onClick={() => setOpen(day === open ? undefined : day)}
              >
                <StateIcon kind={TONES[tone].icon} silent />
                {view.days[day / 2]?.worked && (
                  <>
                    {!wide && (
                      <span className="first" aria-hidden="true">
                        {texts[0]}
                      </span>
                    )}
                    {(wide || texts.length > 1) && (
                      <span aria-hidden="true">{wide ? texts.length : `+${texts.length - 1}`}</span>
                    )}
                  </>
                )}
                <Hidden>{texts.join('; ')}</Hidden>
              </button>
            );
          })}
        </div>
        {shown.length > 0 && (
          <ul className="small-text mb-1">
            {shown.map((mark) => (
              <li key={mark.text}>{mark.text}</li>
            ))}
          </ul>
        )}
      </div>
    </>
  );
}
