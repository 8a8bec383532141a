'use client';
import { Link } from '../kit/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { removeAssembly } from '@/contract/commands/assemblies';
import { routes } from '@/contract/routes';
import type { AssembliesView } from '@/contract/views/assemblies';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Means } from '../kit/means';
import { Block, Empty, PageHead } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { ScopeTabs } from '../scope/scope-tabs';
import { JobTabs } from '../shell/job-tabs';
import { AssemblyForm } from './assembly-form';
import { OwnForm } from './own-form';

type Offered = AssembliesView['catalogue'][number];

/** Words of a sentence that say something. */
const wordsOf = (text: string): string[] => text.toLowerCase().match(/\p{L}{3,}/gu) ?? [];

/** How well a sentence means an assembly: how many of its words it has. */
const likeness = ({ title, says, lines }: Offered, said: readonly string[]): number => {
  const known = wordsOf([title, says, ...lines.map(({ verb, subject }) => `${verb} ${subject}`)].join(' '));
  return said.filter((word) => known.some((each) => each.startsWith(word) || word.startsWith(each))).length;
};

/**
 * What is meant with one sentence, set in an area at once: lines, goods, hours, steps, choices and price.
 * @param sought what is looked for at first
 */
export function Assemblies({ view, sought = '' }: { view: AssembliesView; sought?: string }) {
  const router = useRouter();
  const [said, setSaid] = useState(sought);
  const [open, setOpen] = useState<Offered>();
  const [changed, setChanged] = useState<Offered>();
  const words = wordsOf(said);
  const offered =
    words.length === 0
      ? view.catalogue
      : view.catalogue
          .map((assembly) => ({ assembly, like: likeness(assembly, words) }))
          .filter(({ like }) => like > 0)
          .sort((a, b) => b.like - a.like)
          .map(({ assembly }) => assembly);
  const area = view.areas.find(({ id }) => id === view.area);
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.assembly">Assemblies</Means>}>
          <span className="soft">one sentence sets lines, goods, hours and steps</span>
        </PageHead>
        {!area ? (
          <Empty>
            <p>No area yet: set out where the work is.</p>
            <Link className="btn btn-primary" href={routes.areas(view.job.id)}>
              To the areas
            </Link>
          </Empty>
        ) : (
          <div className="main-and-aside">
            <div>
              <div className="form-pair mb-2">
                <Form.Group controlId="assembly-area">
                  <Form.Label className="mb-1">Where</Form.Label>
                  <Form.Select
                    value={view.area}
                    onChange={(event) => router.push(routes.assemblies(view.job.id, event.target.value))}
                  >
                    {view.areas.map(({ id, name }) => (
                      <option key={id} value={id}>
                        {name}
                      </option>
                    ))}
                  </Form.Select>
                </Form.Group>
                <Form.Group controlId="assembly-said">
                  <Form.Label className="mb-1">What is done, in a sentence</Form.Label>
                  <Form.Control
                    value={said}
                    placeholder="like “open this wall a foot up along its length”"
                    onChange={(event) => setSaid(event.target.value)}
                  />
                </Form.Group>
              </div>
              {offered.length === 0 && (
                <p className="soft">Nothing of the list means that. Say it otherwise, or write its lines by hand.</p>
              )}
              <Lines>
                {offered.map((assembly) => (
                  <Line
                    key={assembly.key}
                    beside={
                      <span className="d-flex gap-3">
                        <LinkButton onClick={() => setChanged(assembly)}>
                          Change<Hidden> {assembly.title}</Hidden>
                        </LinkButton>
                        <LinkButton onClick={() => setOpen(assembly)}>
                          Set<Hidden> {assembly.title}</Hidden>
                        </LinkButton>
                      </span>
                    }
                  >
                    <span className="fw-bold">{assembly.title}</span>
                    {assembly.own && <span className="small-text soft"> the firm’s own</span>}
                    <div className="small-text soft">“{assembly.says}”</div>
                  </Line>
                ))}
              </Lines>
            </div>
            <SetAlready view={view} />
          </div>
        )}
        <SidePanel title="For the whole firm" open={changed !== undefined} onClose={() => setChanged(undefined)}>
          {changed && <OwnForm key={changed.key} assembly={changed} onDone={() => setChanged(undefined)} />}
        </SidePanel>
        <SidePanel title={open?.title ?? ''} open={open !== undefined} onClose={() => setOpen(undefined)}>
          {open && area && (
            <AssemblyForm key={open.key} view={view} assembly={open} area={area} onDone={() => setOpen(undefined)} />
          )}
        </SidePanel>
      </div>
    </>
  );
}

/** What was set on this job, with what it says to be careful of. */
function SetAlready({ view }: { view: AssembliesView }) {
  const { give, busy } = useSend();
  return (
    <Block heading="Set on this job">
      {view.set.length === 0 && <p className="soft mt-2">Nothing yet.</p>}
      <Lines>
        {view.set.map((item) => (
          <Line
            key={item.id}
            beside={
              <LinkButton
                disabled={busy}
                onClick={() =>
                  void give(
                    removeAssembly,
                    { id: item.id, version: item.version },
                    { text: `“${item.title}” is taken away, with its lines and goods.`, back: 'It is back.' },
                  )
                }
              >
                Remove<Hidden> {item.title}</Hidden>
              </LinkButton>
            }
          >
            <span className="fw-bold">{item.title}</span>, {item.area}
            <div className="small-text soft">{item.lines.join('; ')}</div>
            {item.cautions.map((caution) => (
              <div key={caution} className="small-text soon">
                {caution}
              </div>
            ))}
          </Line>
        ))}
      </Lines>
      <p className="mt-2">
        <Link href={routes.prices(view.job.id)}>To the prices</Link>
      </p>
    </Block>
  );
}
