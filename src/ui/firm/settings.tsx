'use client';
import { useState, type ReactNode } from 'react';
import { addHoliday, setDates, setZone } from '@/contract/commands/firm';
import type { Role } from '@/contract/command';
import type { FirmView } from '@/contract/views/firm';
import { DATE_LANGUAGES } from '@/core/units/date-languages';
import { formatDay } from '@/core/units/day';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Block, PageHead } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { Archives } from './archives';
import { FirmMoney, HourForm, HoursRates, MoneyForm } from './firm-money';
import { FirmTabs } from './firm-tabs';
import { KeptOfPeople } from './kept-of-people';
import { Machine } from './machine';
import { NewsRules, NewsRulesForm } from './news-rules';
import { UsualWeather } from './usual-weather';

type Open = 'holiday' | 'zone' | 'dates' | 'money' | 'hour' | 'rules';
const TITLES: Record<Open, string> = {
  holiday: 'A holiday',
  zone: 'The firm’s time',
  dates: 'How days and hours are written',
  money: 'The firm’s money',
  hour: 'What an hour costs',
  rules: 'What is told by itself',
};

/** How the firm counts and works: money, time, what goes out by itself, what is kept. */
export function Settings({ view, role }: { view: FirmView; role: Role }) {
  const [open, setOpen] = useState<Open>();
  const close = (): void => setOpen(undefined);
  const office = role !== 'lead';
  const isOwner = role === 'contractor';
  return (
    <>
      <FirmTabs />
      <div className="page">
        <PageHead heading="Settings">
          <span className="soft">{view.name}</span>
        </PageHead>
        <div className="columns">
          <div>
            {view.money && <FirmMoney money={view.money} role={role} onOpen={() => setOpen('money')} />}
            {view.money && <HoursRates hours={view.hours} onOpen={() => setOpen('hour')} />}
          </div>
          <div>
            <Block
              heading="Time"
              beside={
                isOwner && (
                  <LinkButton className="push" onClick={() => setOpen('zone')}>
                    Change<Hidden> the time zone</Hidden>
                  </LinkButton>
                )
              }
            >
              <p className="mt-2">
                {view.zone.replaceAll('_', ' ')}: it is {formatDay(view.today)}, {view.time} there.
              </p>
              <p className="soft">
                Written so on screens, in letters and on papers.{' '}
                {isOwner && (
                  <LinkButton onClick={() => setOpen('dates')}>
                    Write <Hidden>days and hours </Hidden>otherwise
                  </LinkButton>
                )}
              </p>
            </Block>
            <Block
              heading="Holidays"
              beside={
                office && (
                  <LinkButton className="push" onClick={() => setOpen('holiday')}>
                    Add a holiday
                  </LinkButton>
                )
              }
            >
              {view.holidays.length === 0 && <p className="soft mt-2">None ahead.</p>}
              <Lines>
                {view.holidays.map((holiday) => (
                  <Line key={holiday.day} beside={<span>{formatDay(holiday.day, view.today)}</span>}>
                    {holiday.name}
                  </Line>
                ))}
              </Lines>
            </Block>
            <NewsRules rules={view.rules} onOpen={isOwner ? () => setOpen('rules') : undefined} />
          </div>
        </div>
        <UsualWeather view={view} office={office} />
        {isOwner && <KeptOfPeople view={view} />}
        {office && <Archives jobs={view.jobs} owner={isOwner} />}
        {view.machine && <Machine machine={view.machine} />}
        <SidePanel title={open ? TITLES[open] : ''} open={open !== undefined} onClose={close}>
          {open && formOf(open, view, close)}
        </SidePanel>
      </div>
    </>
  );
}

function formOf(open: Open, view: FirmView, onDone: () => void): ReactNode {
  const { today, zone } = view;
  switch (open) {
    case 'zone':
      return (
        <CommandForm kind={setZone} submit="Save" onDone={onDone} start={() => ({ zone })}>
          <SelectField
            name="zone"
            label="Time zone"
            hint="What is today, morning and afternoon goes by it, wherever somebody looks from."
            options={zones(zone)}
          />
        </CommandForm>
      );
    case 'dates':
      return (
        <CommandForm
          kind={setDates}
          submit="Save"
          onDone={onDone}
          start={() => ({ dates: view.dates, clockHours: view.clockHours })}
        >
          <SelectField
            name="dates"
            label="Days"
            hint="Only days and months are written in it; sentences stay English."
            options={languages()}
          />
          <SelectField
            name="clockHours"
            label="Hours"
            options={[
              ['24', '24 hours: 16:20'],
              ['12', '12 hours: 4:20 pm'],
            ]}
          />
        </CommandForm>
      );
    case 'rules':
      return <NewsRulesForm rules={view.rules} onDone={onDone} />;
    case 'money':
      return <MoneyForm view={view} onDone={onDone} />;
    case 'hour':
      return <HourForm view={view} onDone={onDone} />;
    case 'holiday':
      return (
        <CommandForm kind={addHoliday} submit="Add" onDone={onDone} start={() => ({ day: today, name: '' })}>
          <TextField name="name" label="Name" />
          <TextField name="day" label="Day" type="date" />
        </CommandForm>
      );
  }
}

/** All zones that this browser knows, and the one that is set. */
const zones = (set: string): [string, string][] =>
  [...new Set([set, ...Intl.supportedValuesOf('timeZone')])].sort().map((name) => [name, name.replaceAll('_', ' ')]);

/** In which languages days may be written, by their names in English. */
const languages = (): [string, string][] => {
  const names = new Intl.DisplayNames('en', { type: 'language' });
  return DATE_LANGUAGES.map((language) => [
    language,
    language === 'en' ? 'English' : language === 'en-US' ? 'English, month first' : (names.of(language) ?? language),
  ]);
};
