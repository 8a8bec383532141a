'use client';
import { api, routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { signCloseIn } from '@/contract/commands/walks';
import type { WallsView } from '@/contract/views/walk';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm, TextField } from '../kit/form';
import { StateIcon } from '../kit/state-icon';
import { Notice } from '../kit/notice';
import { SidePanel } from '../kit/side-panel';
import { useRemove } from '../kit/use-remove';
import { DrawingView } from '../layout/drawing-view';
import { newId } from '../offline/send';
import { BriefLines } from '../scope/brief';
import { isEmptyBrief } from '@/core/scope/brief';
import { StartWalk } from '../walks/start-walk';
import { Block, BlockHead, Empty, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';

/** Before a wall is closed: what has to be right. Afterwards: what is in it, and where with a tape. */
export function Walls({ view }: { view: WallsView }) {
  const { job, area, check, walls } = view;
  return (
    <>
      <JobTabs job={job} />
      <div className="page">
        <p className="mb-1 small-text">
          <Link href={routes.room(job.id, area.id)} className="soft">
            {area.name}
          </Link>
        </p>
        <PageHead heading="Inside the walls">
          <span className="soft">
            {walls.length === 0
              ? 'nothing recorded yet'
              : `${walls.reduce((sum, wall) => sum + wall.things.length, 0)} things in ${walls.length} ` +
                (walls.length === 1 ? 'wall' : 'walls')}
          </span>
          <span className="push actions no-print">
            <StartWalk job={job.id} openWalk={job.openWalk} kind="close-in" />
            {walls.length > 0 && (
              <a className="btn btn-outline-secondary" href={api.areaFile(area.id, 'walls.pdf')}>
                Paper (PDF)
              </a>
            )}
          </span>
        </PageHead>
        {!isEmptyBrief(view.brief) && (
          <Block className="mb-3" heading={<Means of="word.scope">What is agreed here</Means>}>
            <BriefLines brief={view.brief} />
          </Block>
        )}
        <div className="columns">
          <div>
            {walls.length === 0 && (
              <Empty>
                <p className="mb-0">
                  On a walk, Measure and then “Something in a wall” keeps what goes into it: how far from its left
                  corner, how high, with a picture. It is found again here, on paper and by Ctrl K, years after the
                  board is on.
                </p>
              </Empty>
            )}
            {walls.map((wall) => (
              <Block
                key={wall.wall}
                id={`wall-${wall.wall + 1}`}
                className="wall-record"
                heading={wall.name}
                beside={
                  <span className="push small-text no-print">
                    <a href={api.areaFile(area.id, `inside-${wall.wall + 1}.svg`)}>SVG</a> ·{' '}
                    <a href={api.areaFile(area.id, `inside-${wall.wall + 1}.dxf`)}>DXF</a>
                  </span>
                }
              >
                <DrawingView
                  drawing={wall.drawing}
                  label={
                    `${area.name}, ${wall.name} as one faces it: ` +
                    wall.things.map((thing) => `${thing.number} ${thing.what}`).join(', ')
                  }
                />
                <Lines>
                  {wall.things.map((thing) => (
                    <Line
                      key={thing.id}
                      mark={<span className="fw-bold mono">{thing.number}</span>}
                      beside={
                        thing.picture && (
                          <a href={api.picture(thing.picture, 1280)}>
                            <img
                              src={api.picture(thing.picture, 240)}
                              alt={`${thing.what} in ${wall.name}`}
                              width={72}
                              height={54}
                              className="object-fit-cover"
                            />
                          </a>
                        )
                      }
                    >
                      {thing.place}
                      <div className="small-text soft">
                        {thing.by}, {thing.when}
                      </div>
                    </Line>
                  ))}
                </Lines>
              </Block>
            ))}
          </div>
          {check && <Check view={view} check={check} />}
        </div>
      </div>
    </>
  );
}

function Check({ view: { area, job }, check }: { view: WallsView; check: NonNullable<WallsView['check']> }) {
  const [signing, setSigning] = useState(false);
  const remove = useRemove();
  return (
    <div>
      <BlockHead heading={<Means of="word.check-before-cover">Before the walls are closed</Means>}>
        <span className="push small-text soft">
          {check.lines.length - check.open} of {check.lines.length} settled
        </span>
      </BlockHead>
      {check.closed ? (
        <p className="good mt-2">
          <StateIcon kind="checked" silent /> Closed {check.closed}.
        </p>
      ) : (
        <Notice bad={check.covered}>
          {check.covers
            ? `${check.covers[0]?.toUpperCase() ?? ''}${check.covers.slice(1)} does not start in the plan while a ` +
              'line is open.'
            : 'A line is open.'}
          {check.covered ? ' It was begun on site all the same.' : ''}
        </Notice>
      )}
      {check.signed && (
        <p className="mt-2">
          {check.signed.name} answers for what was open, {check.signed.when}: {check.signed.reason}{' '}
          <LinkButton onClick={() => remove('close-in-sign', check.signed?.id ?? '', 'The signature')}>
            Take it back
          </LinkButton>
        </p>
      )}
      {!check.closed && check.open > 0 && (
        <p className="actions">
          <Button size="sm" variant="outline-secondary" onClick={() => setSigning(true)}>
            Answer for the open lines by name
          </Button>
        </p>
      )}
      <Lines>
        {check.lines.map((line) => (
          <Line
            key={line.key}
            mark={
              <StateIcon
                kind={
                  line.state === 'right' || line.state === 'not here'
                    ? 'checked'
                    : line.state === 'open'
                      ? 'stop'
                      : 'open'
                }
              />
            }
          >
            {line.text}
            <div className="small-text soft">
              {line.because}
              {line.said ? ` · ${line.said}` : ''}
              {line.state === 'not here' ? ' · not here' : ''}
            </div>
          </Line>
        ))}
      </Lines>
      <SidePanel title="Closing with lines open" open={signing} onClose={() => setSigning(false)}>
        <p className="soft">
          The walls of {area.name} are closed although {check.open} {check.open === 1 ? 'line is' : 'lines are'} open.
          Whoever answers for it is kept with the reason; an inspection is not replaced by this.
        </p>
        <CommandForm
          kind={signCloseIn}
          submit="Answer for it"
          onDone={() => setSigning(false)}
          start={() => ({ id: newId(), area: area.id, name: '', reason: '' })}
        >
          <TextField name="name" label="Who answers for it" />
          <TextField name="reason" label="Why it is closed all the same" rows={2} />
        </CommandForm>
        <p className="small-text soft mt-3">{job.name}</p>
      </SidePanel>
    </div>
  );
}
