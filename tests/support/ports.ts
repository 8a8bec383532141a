import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { isWorkday, workdaysAfter } from '@/core/units/workday';
import { SUPPLIER_SAYS } from '@/contract/commands/selections';
import { addDays, weekday, type Day } from '@/core/units/day';
import type { Cue } from '@/core/narration/captions';
import type {
  InspectionOffices,
  MessageGateway,
  SupplierDesk,
  SupplierOrder,
  SupplierWord,
  WeatherService,
} from '@/server/outside/ports';
import type { Dictation } from '@/ui/devices/dictation';
import type { Meter } from '@/ui/devices/meter';

/** What holds of every adapter of a port, a stand-in or a real service; each adapter's test calls the suite of its port. */

const ON = '2027-03-09';

/** @param runs how many messages; each is tried twice */
export const messageGatewaySuite = (name: string, gateway: () => MessageGateway, runs = 100): void => {
  const letter = { recipient: 'A', address: 'a@a.example', subject: 'S', text: 'T' };
  describe(`${name}, as every carrier of messages`, () => {
    it('either carries it or says in words why not, the same for the same try of the same message', () =>
      fc.assert(
        fc.asyncProperty(fc.uuid(), fc.integer({ min: 0, max: 5 }), async (id, tries) => {
          const message = { ...letter, id, tries };
          const delivery = await gateway().deliver(message);
          expect('failure' in delivery ? delivery.failure : delivery.state).toMatch(/\w/);
          expect(await gateway().deliver(message)).toEqual(delivery);
        }),
        { numRuns: runs },
      ));

    it('never says that it reached an address that is none, and does not ask to be tried again', async () =>
      expect(await gateway().deliver({ ...letter, id: 'x', tries: 5, address: 'nobody@nowhere.invalid' })).toEqual({
        failure: expect.stringMatching(/\w/) as unknown,
        again: false,
      }));
  });
};

const order: fc.Arbitrary<SupplierOrder> = fc.record({
  id: fc.uuid(),
  state: fc.constant('ordered' as const),
  orderedOn: fc.integer({ min: 0, max: 300 }).map((days) => addDays(ON, days)),
  expectedOn: fc.constant(null),
  leadLow: fc.integer({ min: 0, max: 40 }),
  leadHigh: fc.integer({ min: 40, max: 90 }),
  quantity: fc.option(fc.integer({ min: 1, max: 60 })),
  unit: fc.constant('pieces'),
  closures: fc.constant([{ firstDay: '2027-07-19', lastDay: '2027-08-06', why: 'holidays' }]),
  spoken: fc.constant(0),
});

/** The order as it stands after a word. */
const after = (known: SupplierOrder, word: SupplierWord): SupplierOrder => ({
  ...known,
  spoken: known.spoken + 1,
  expectedOn: word.day ?? known.expectedOn,
  quantity: word.quantity ?? known.quantity,
  state:
    word.says === 'confirms'
      ? 'confirmed'
      : word.says === 'in making'
        ? 'in making'
        : word.says.startsWith('ships')
          ? 'shipped'
          : known.state,
});

export const supplierDeskSuite = (name: string, desk: SupplierDesk): void => {
  describe(`${name}, as every desk of suppliers`, () => {
    it('speaks of an order to its end: known words, in the order of time, on days and in amounts that can be kept', () =>
      fc.assert(
        fc.property(order, (first) => {
          let known = first;
          let last: Day = first.orderedOn;
          for (let turn = 0; turn < 20; turn++) {
            const word = desk.next(known);
            expect(desk.next(known)).toEqual(word);
            if (!word) {
              expect(known.state).toBe('shipped');
              return;
            }
            expect(SUPPLIER_SAYS).toContain(word.says);
            if (word.says === 'confirms' || word.says === 'slips') expect(word.day! >= known.orderedOn).toBe(true);
            if (word.says === 'ships part') expect(word.quantity! > 0 && word.quantity! < known.quantity!).toBe(true);
            if (word.says === 'slips') expect(word.day! > known.expectedOn!).toBe(true);
            last = word.on > last ? word.on : last;
            known = after(known, word);
          }
          expect.fail('it never comes to an end');
        }),
      ));
  });
};

export const weatherServiceSuite = (name: string, service: WeatherService): void => {
  describe(`${name}, as every weather service`, () => {
    it('speaks of the half-days from a day on, in order, without gaps, in values that weather has', () =>
      fc.assert(
        fc.property(fc.integer({ min: 0, max: 800 }), (days) => {
          const from = addDays(ON, days);
          const halves = service.outlook(from);
          expect(halves.map(({ day, half }) => [day, half])).toEqual(
            halves.map((_, index) => [addDays(from, Math.floor(index / 2)), index % 2]),
          );
          for (const { rain, wind, low } of halves)
            expect([rain >= 0 && rain < 200, wind >= 0 && wind < 60, low > -60 && low < 50]).toEqual([
              true,
              true,
              true,
            ]);
        }),
      ));

    it('says the same of a day while nothing new is known', () =>
      expect(service.outlook(ON)).toEqual(service.outlook(ON)));
  });
};

export const inspectionOfficesSuite = (name: string, offices: InspectionOffices): void => {
  describe(`${name}, as whatever gives out visits`, () => {
    it('offers a day of the office, after its notice and the wish, with a visit free, and no day before it would do', () =>
      fc.assert(
        fc.property(
          fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 7 }),
          fc.integer({ min: 0, max: 10 }),
          fc.integer({ min: 1, max: 3 }),
          fc.integer({ min: 0, max: 30 }),
          fc.array(fc.integer({ min: 0, max: 40 }), { maxLength: 40 }),
          (weekdays, noticeDays, visitsADay, wish, visits) => {
            const none = new Set<Day>();
            const taken = (day: Day): number => visits.filter((index) => addDays(ON, index) === day).length;
            const asked = { on: ON, wished: addDays(ON, wish) };
            const offer = offices.offer({ weekdays, noticeDays, visitsADay }, asked, taken, none);
            const good = (day: Day): boolean =>
              weekdays.includes(weekday(day)) &&
              isWorkday(day, none) &&
              taken(day) < visitsADay &&
              day >= workdaysAfter(ON, noticeDays, none) &&
              day >= asked.wished;
            // Only an office that works on days off alone has nothing to give.
            if (!offer) {
              expect(weekdays.every((day) => day === 0 || day === 6)).toBe(true);
              return;
            }
            expect(good(offer.day)).toBe(true);
            for (let day = ON; day < offer.day; day = addDays(day, 1)) expect(good(day)).toBe(false);
          },
        ),
        { numRuns: 200 },
      ));
  });
};

export const meterSuite = (name: string, make: () => Meter): void => {
  describe(`${name}, as every distance meter`, () => {
    it('gives whole millimetres above nothing, near what is expected where that is said', async () => {
      const meter = make();
      for (const near of [undefined, 900, 2400, 5200]) {
        const { mm } = await meter.read(near);
        expect(Number.isInteger(mm) && mm > 0).toBe(true);
        if (near !== undefined) expect(Math.abs(mm - near)).toBeLessThan(near / 4);
      }
    });
  });
};

export const dictationSuite = (name: string, make: (text: string) => Dictation): void => {
  describe(`${name}, as whatever listens`, () => {
    it('gives all that was said, in order of time, and nothing after it was stopped', () => {
      vi.useFakeTimers();
      try {
        const text = 'kitchen the tiling is about half the bath waits for the plumber since monday';
        const [heard, cut]: [Cue[], Cue[]] = [[], []];
        const ended = vi.fn();
        make(text).listen((cue) => heard.push(cue), ended);
        vi.advanceTimersByTime(60_000);
        expect(ended).toHaveBeenCalledOnce();
        expect(heard.map((cue) => cue.text).join(' ')).toBe(text);
        for (const [index, cue] of heard.entries())
          expect(cue.end > cue.start && cue.start >= (heard[index - 1]?.end ?? 0)).toBe(true);
        const stop = make(text).listen((cue) => cut.push(cue), ended);
        stop();
        vi.advanceTimersByTime(60_000);
        expect(cut).toEqual([]);
        // Stopped, it ends too, once.
        expect(ended).toHaveBeenCalledTimes(2);
      } finally {
        vi.useRealTimers();
      }
    });
  });
};
