'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { mergeArea, removeArea } from '@/contract/commands/sites';
import { routes } from '@/contract/routes';
import type { AreasView, PlacedArea } from '@/contract/views/firm';
import { groupBy } from '@/core/group-by';
import { AREA_KINDS } from '@/core/sites/area';
import { workFacts } from '@/core/sequence/works';
import { CommandForm, SelectField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';
import { Line, Lines } from '../kit/lines';
import { Block } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { useToast } from '../kit/toast';
import { useSend } from '../kit/use-send';
import { ChangeArea } from './change-area';

type Open = { act: 'change' | 'merge'; area: PlacedArea };

/** The areas that are set out, level by level: each can be changed, become part of another, or go. */
export function AreaList({ view }: { view: AreasView }) {
  const [open, setOpen] = useState<Open>();
  const { give } = useSend();
  const say = useToast();
  const close = (): void => setOpen(undefined);
  const remove = ({ id, version, name }: PlacedArea): void =>
    void give(
      removeArea,
      { id, version },
      { text: `${name} was removed; the plan follows.`, back: `${name} is back.` },
    );
  const others = view.areas.filter((area) => area.id !== open?.area.id);
  return (
    <Block heading="Set out" className="area-list">
      {[...groupBy(view.areas, (area) => area.levelName ?? 'Outside')].map(([level, areas]) => (
        <section key={level}>
          <h3>{level}</h3>
          <Lines>
            {areas.map((area) => (
              <Line
                key={area.id}
                beside={
                  <span className="no-print d-flex gap-3">
                    <LinkButton onClick={() => setOpen({ act: 'change', area })}>
                      Change<Hidden> {area.name}</Hidden>
                    </LinkButton>
                    <LinkButton onClick={() => setOpen({ act: 'merge', area })} disabled={view.areas.length < 2}>
                      Merge<Hidden> {area.name}</Hidden>
                    </LinkButton>
                    <LinkButton onClick={() => remove(area)}>
                      Remove<Hidden> {area.name}</Hidden>
                    </LinkButton>
                  </span>
                }
              >
                <Link href={routes.room(view.job.id, area.id)} className="fw-bold">
                  {area.name}
                </Link>{' '}
                <span className="soft small-text">
                  {[AREA_KINDS[area.kind], ...area.works.map((work) => workFacts(work).label)].join(' · ')}
                </span>
              </Line>
            ))}
          </Lines>
        </section>
      ))}
      <SidePanel
        title={open?.act === 'merge' ? `Merge ${open.area.name}` : `Change ${open?.area.name ?? ''}`}
        open={open !== undefined}
        onClose={close}
      >
        {open?.act === 'change' && (
          <ChangeArea
            key={open.area.id}
            area={open.area}
            levels={view.levels}
            others={others.filter((area) => area.level !== null)}
            onDone={() => {
              close();
              say({ text: 'Saved; the plan follows.' });
            }}
          />
        )}
        {open?.act === 'merge' && (
          <CommandForm
            kind={mergeArea}
            submit="Merge"
            onDone={() => {
              close();
              say({ text: `${open.area.name} was merged; the plan follows.` });
            }}
            start={() => ({ from: open.area.id, version: open.area.version, into: others[0]?.id ?? '' })}
          >
            <p className="mb-0">
              All that was recorded, agreed and ordered for {open.area.name} goes to the other area. Where both are
              drawn, the drawing of the other one stays.
            </p>
            <SelectField name="into" label="Becomes part of" options={others.map((area) => [area.id, area.name])} />
          </CommandForm>
        )}
      </SidePanel>
    </Block>
  );
}
