'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { setNormals } from '@/contract/commands/schedule';
import type { FirmView } from '@/contract/views/firm';
import type { CsvProblem } from '@/core/csv';
import { readNormals, type MonthNormal } from '@/core/schedule/normals-csv';
import { counted } from '@/core/words/count';
import { CsvEntry } from '../kit/csv-entry';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';
import { FoldedBlock } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';

/** What the weather usually takes from work outside, month by month: a forecast counts with it after the outlook. */
export function UsualWeather({ view, office }: { view: FirmView; office: boolean }) {
  const [open, setOpen] = useState(false);
  return (
    <FoldedBlock
      heading="Usual weather"
      says={view.normals.length > 0 ? `entered for ${counted(view.normals.length, 'month')}` : 'not entered'}
      beside={
        office && (
          <LinkButton className="push" onClick={() => setOpen(true)}>
            Enter<Hidden> the usual weather by month</Hidden>
          </LinkButton>
        )
      }
    >
      {view.normals.length === 0 ? (
        <p className="soft mt-2">
          Not entered: forecasts count no rain, wind or frost after the outlook. A weather record of the place has the
          days.
        </p>
      ) : (
        <table className="table-lines small-text">
          <thead>
            <tr>
              <th>Month</th>
              <th>Wet days</th>
              <th>Windy</th>
              <th>Frost</th>
            </tr>
          </thead>
          <tbody>
            {view.normals.map(({ month, name, wet, windy, frosty }) => (
              <tr key={month}>
                <td>{name}</td>
                <td data-label="Wet days:">{wet}</td>
                <td data-label="Windy:">{windy}</td>
                <td data-label="Frost:">{frosty}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <SidePanel title="Usual weather by month" open={open} onClose={() => setOpen(false)}>
        <Entry onDone={() => setOpen(false)} />
      </SidePanel>
    </FoldedBlock>
  );
}

function Entry({ onDone }: { onDone: () => void }) {
  const [read, setRead] = useState<{ rows: MonthNormal[]; problems: CsvProblem[] }>({ rows: [], problems: [] });
  const { busy, give } = useSend();
  const keep = async (): Promise<void> => {
    const kept = await give(
      setNormals,
      { months: read.rows },
      { text: `Kept for ${counted(read.rows.length, 'month')}.`, back: 'As it was before.' },
    );
    if (kept) onDone();
  };
  return (
    <CsvEntry
      title="Days of the month"
      what="months"
      example={'month,wet,windy,frosty\nJanuary,14,5,9\nFebruary,12,4,8'}
      problems={read.problems}
      onText={(text) => setRead(readNormals(text))}
    >
      {read.rows.length > 0 && (
        <Button disabled={busy} onClick={() => void keep()}>
          Keep {counted(read.rows.length, 'month')}
        </Button>
      )}
    </CsvEntry>
  );
}
