/** Rain from which a day is wet, and from which it pours, in millimetres; wind in metres a second; frost in degrees. */
const WET = 1;
const POURING = 6;
const WINDY = 12;

const sayDay = (rain: number, wind: number, low: number): string =>
  [
    rain >= POURING ? 'heavy rain' : rain >= WET ? 'rain' : 'dry',
    ...(wind >= WINDY ? ['strong wind'] : []),
    ...(low <= 0 ? ['frost'] : []),
  ].join(', ');

/** A day's weather as a sign: a sun over the horizon, a cloud with its drops, lines of wind, a flake of frost. */
export function WeatherSign({ rain, wind, low }: { rain: number; wind: number; low: number }) {
  return (
    <svg className="weather-sign" viewBox="0 0 24 20" role="img" aria-label={sayDay(rain, wind, low)}>
      {rain < WET ? (
        <path d="M2 15h20M6.5 15a5.5 5.5 0 0 1 11 0M12 5.5v-3M5.5 8.5 3.5 6.5M18.5 8.5l2-2" />
      ) : (
        <>
          <path d="M6 12a3.5 3.5 0 0 1 .4-7 5 5 0 0 1 9.5-.6A3.8 3.8 0 0 1 18 12z" />
          <path
            className="drops"
            d={rain >= POURING ? 'M7 14l-1.5 4M11 14l-1.5 4M15 14l-1.5 4M19 14l-1.5 4' : 'M9 14l-1.5 4M15 14l-1.5 4'}
          />
        </>
      )}
      {wind >= WINDY && <path d="M1 17.5h9M3 19.5h9" />}
      {low <= 0 && <path d="M20 1v6M17.4 2.5l5.2 3M22.6 2.5l-5.2 3" />}
    </svg>
  );
}
