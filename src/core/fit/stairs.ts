import { answer } from '../problem';
import { ceil } from '../units/rounding';
import { give, length, main } from '../quantities/ask';
import { calculator, LOCAL_CODE } from '../quantities/calculator';

export const stairs = calculator({
  name: 'stairs',
  title: 'Stair and landing',
  group: 'fit',
  answers: 'How many equal steps climb a height, and whether flight and landing fit.',
  asks: {
    totalRise: length('floor to floor'),
    maxRise: length('highest step'),
    tread: length('tread'),
    leastTread: length('least tread'),
    run: length('length for the flight'),
    width: length('width of the flight'),
    landing: length('depth of the landing'),
    leastLanding: length('least landing'),
  },
  gives: {
    risers: give('count', 'risers', main),
    rise: give('length', 'each', main),
    flight: give('length', 'length of the flight'),
    fits: give('flag', 'the flight fits', { good: true }),
    treadOk: give('flag', 'treads deep enough', { good: true }),
    landingOk: give('flag', 'landing deep enough', { good: true }),
    comfort: give('length', 'two rises and a tread'),
  },
  formula:
    'risers = ceil(height / highest step), all alike; flight = (risers − 1) · tread; a landing is at least as ' +
    'deep as the flight is wide',
  source:
    'US model code: rise at most 7 3/4 in, tread at least 10 in, landing 36 in; UK guidance: 220 and 220 mm, two ' +
    'rises and a tread 550 to 700 mm.',
  decides: LOCAL_CODE,
  example: {
    totalRise: 2680,
    maxRise: 196,
    tread: 260,
    leastTread: 254,
    run: 3600,
    width: 900,
    landing: 950,
    leastLanding: 914,
  },
  compute: (stair) => {
    const risers = ceil(stair.totalRise / stair.maxRise);
    const [rise, flight] = [stair.totalRise / risers, (risers - 1) * stair.tread];
    return answer({
      risers,
      rise,
      flight,
      fits: flight <= stair.run + 1e-9,
      treadOk: stair.tread >= stair.leastTread - 1e-9,
      landingOk: stair.landing >= Math.max(stair.width, stair.leastLanding) - 1e-9,
      comfort: 2 * rise + stair.tread,
    });
  },
});
