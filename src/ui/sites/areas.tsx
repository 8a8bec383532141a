'use client';
import { routes } from '@/contract/routes';
import { useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { useRouter } from 'next/navigation';
import { changeJob, addAreas } from '@/contract/commands/sites';
import type { AreasView } from '@/contract/views/firm';
import type { CsvProblem } from '@/core/csv';
import { CSV_EXAMPLE, readAreaCsv } from '@/core/sites/area-csv';
import { JOB_STATES } from '@/core/sites/area';
import type { Draft } from '@/core/sites/draft-area';
import { setOut } from '@/core/sites/set-out';
import { TEMPLATES } from '@/core/sites/templates';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm, SelectField } from '../kit/form';
import { CsvEntry, CsvProblems } from '../kit/csv-entry';
import { useToast } from '../kit/toast';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { AreaList } from './area-list';
import { RemoveJob } from './remove-job';
import { DraftAreas } from './draft-areas';
import { JobFields } from './job-fields';
import { Hidden } from '../kit/hidden';
import { Block, FoldedBlock, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';

/** A job's storeys and areas, from a pattern or a list, changed until they fit, and then set out at once. */
export function Areas({ view }: { view: AreasView }) {
  const { job, details } = view;
  const [draft, setDraft] = useState<Draft>();
  const [problems, setProblems] = useState<CsvProblem[]>([]);
  const say = useToast();
  const takeCsv = (text: string): void => {
    const read = readAreaCsv(text);
    setProblems(read.problems);
    if (read.areas.length > 0) setDraft(read);
  };
  return (
    <>
      <JobTabs job={job} />
      <div className="page">
        <PageHead heading={<>Areas of {job.name}</>}>
          <span className="soft">storeys, rooms, outside faces, roof and ground, and what is to be done in each</span>
        </PageHead>
        {view.areas.length > 0 && <AreaList view={view} />}
        {draft ? (
          <SetOutForm
            key={JSON.stringify(draft)}
            view={view}
            draft={draft}
            problems={problems}
            onLeave={() => setDraft(undefined)}
          />
        ) : (
          <MoreAreas asked={view.areas.length === 0 || problems.length > 0}>
            <div className="columns">
              <FromAPattern patterns={[...view.earlier, ...TEMPLATES]} setProblems={setProblems} setDraft={setDraft} />
              <CsvEntry
                title="From a list (CSV)"
                what="areas"
                example={CSV_EXAMPLE}
                problems={problems}
                onText={takeCsv}
              />
            </div>
          </MoreAreas>
        )}
        <FoldedBlock heading="The job itself" says="name, address, client, units, status, days">
          <div className="mt-3">
            <CommandForm
              kind={changeJob}
              submit="Save the job"
              onDone={() => say({ text: 'Saved; the plan follows.' })}
              key={details.version}
              start={() => ({
                id: job.id,
                version: details.version,
                name: details.name,
                address: details.address,
                client: details.client,
                clientEmail: details.clientEmail,
                units: details.units,
                state: details.state,
                startDay: details.startDay,
                livedIn: details.livedIn,
                ...(details.promiseDay ? { promiseDay: details.promiseDay } : {}),
                gettingIn: details.gettingIn,
                ...(details.loudHalf ? { loudHalf: details.loudHalf } : {}),
              })}
            >
              <JobFields />
              <SelectField name="state" label="Status" options={JOB_STATES.map((state) => [state, state])} />
            </CommandForm>
            <RemoveJob job={job} version={details.version} />
          </div>
        </FoldedBlock>
      </div>
    </>
  );
}

/** Where areas stand already, more of them are one press away. */
const MoreAreas = ({ asked, children }: { asked: boolean; children: ReactNode }) =>
  asked ? (
    children
  ) : (
    <FoldedBlock heading="More areas" says="from a pattern or a list">
      {children}
    </FoldedBlock>
  );

/** From a pattern. */
function FromAPattern({
  patterns,
  setProblems,
  setDraft,
}: {
  patterns: AreasView['earlier'];
  setProblems: (next: CsvProblem[]) => void;
  setDraft: (next: Draft | undefined) => void;
}) {
  return (
    <Block heading="From a pattern">
      <Lines>
        {patterns.map((template) => (
          <Line
            key={template.key}
            className="align-items-center"
            beside={
              <Button
                variant="outline-secondary"
                size="sm"
                onClick={() => {
                  setProblems([]);
                  setDraft(template);
                }}
              >
                Take<Hidden> {template.label}</Hidden>
              </Button>
            }
          >
            <span className="fw-bold">{template.label}</span>
            <div className="small-text soft">{template.areas.map((area) => area.name).join(', ')}</div>
          </Line>
        ))}
        <Line
          beside={
            <Button
              variant="outline-secondary"
              size="sm"
              onClick={() =>
                setDraft({
                  levels: [{ name: 'Ground floor', height: 0 }],
                  areas: [{ name: '', kind: 'room', level: 'Ground floor', works: ['redecorate'], size: 1 }],
                })
              }
            >
              Begin
            </Button>
          }
        >
          <span className="fw-bold">Nothing yet</span>
          <div className="small-text soft">an empty list to fill in</div>
        </Line>
      </Lines>
    </Block>
  );
}

function SetOutForm({
  view,
  draft,
  problems,
  onLeave,
}: {
  view: AreasView;
  draft: Draft;
  problems: CsvProblem[];
  onLeave: () => void;
}) {
  const router = useRouter();
  const { busy, give } = useSend();
  const [areas, setAreas] = useState(draft.areas);
  const unnamed = areas.some((area) => area.name.trim() === '');
  const keep = async (): Promise<void> => {
    const done = await give(
      addAreas,
      { job: view.job.id, ...setOut({ levels: draft.levels, areas }, view.levels, newId) },
      { text: `${areas.length} areas are set out; the plan follows.` },
    );
    if (done) router.push(routes.rooms(view.job.id));
  };
  return (
    <>
      <CsvProblems problems={problems} />
      <DraftAreas
        areas={areas}
        onChange={setAreas}
        levels={[...new Set([...draft.levels.map((level) => level.name), ...view.levels.map((level) => level.name)])]}
      />
      {unnamed && (
        <p className="bad mt-2" role="alert">
          Every area needs a name.
        </p>
      )}
      <div className="actions mt-3">
        <Button disabled={busy || unnamed || areas.length === 0} onClick={() => void keep()}>
          {busy ? 'Setting out…' : `Set out ${areas.length} ${areas.length === 1 ? 'area' : 'areas'}`}
        </Button>
        <Button variant="link" onClick={onLeave}>
          Choose something else
        </Button>
      </div>
    </>
  );
}
