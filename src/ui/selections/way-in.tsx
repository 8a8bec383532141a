'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { LargePieceView, WayInView, WayView } from '@/contract/views/way-in';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Means } from '../kit/means';
import { Block, Empty, PageHead } from '../kit/page';
import { PrintButton } from '../kit/print-button';
import { SidePanel } from '../kit/side-panel';
import { StateIcon, type StateIconKind } from '../kit/state-icon';
import { useRemove } from '../kit/use-remove';
import { JobTabs } from '../shell/job-tabs';
import { SelectionTabs } from './selection-tabs';
import { ChangePiece, ChangeWay, NewPiece, NewWay, PlanCarrying } from './way-in-forms';

type Open =
  | { form: 'way'; from?: WayInView['unmeasured'][number] }
  | { form: 'change-way'; way: WayView }
  | { form: 'piece' }
  | { form: 'change-piece' | 'plan'; piece: LargePieceView };
const TITLES: Record<Open['form'], string> = {
  way: 'A narrow place',
  'change-way': 'Change it',
  piece: 'A large piece',
  'change-piece': 'Change it',
  plan: 'Carry it in',
};

/** What is narrow on the way in, measured once, and whether what is large comes through it. */
export function WayIn({ view }: { view: WayInView }) {
  const [open, setOpen] = useState<Open>();
  const close = (): void => setOpen(undefined);
  const stuck = view.pieces.filter(({ fits }) => !fits).length;
  return (
    <>
      <JobTabs job={view.job} />
      <SelectionTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.way-in">Way in</Means>}>
          <span className={stuck > 0 ? 'bad' : 'soft'}>
            {view.pieces.length === 0
              ? 'no large piece yet'
              : stuck === 0
                ? 'all large pieces come in'
                : `${stuck} of ${view.pieces.length} ${stuck === 1 ? 'does not come in as it is' : 'do not come in as they are'}`}
          </span>
          <span className="push actions no-print">
            <PrintButton>Print</PrintButton>
            <Button disabled={view.areas.length === 0} onClick={() => setOpen({ form: 'piece' })}>
              Add a large piece
            </Button>
          </span>
        </PageHead>
        <div className="main-and-aside">
          <Pieces view={view} onOpen={setOpen} />
          <Ways view={view} onOpen={setOpen} />
        </div>
        <SidePanel title={open ? TITLES[open.form] : ''} open={open !== undefined} onClose={close}>
          {open?.form === 'way' && <NewWay view={view} from={open.from} onDone={close} />}
          {open?.form === 'change-way' && <ChangeWay view={view} way={open.way} onDone={close} />}
          {open?.form === 'piece' && <NewPiece view={view} onDone={close} />}
          {open?.form === 'change-piece' && <ChangePiece view={view} piece={open.piece} onDone={close} />}
          {open?.form === 'plan' && <PlanCarrying view={view} piece={open.piece} onDone={close} />}
        </SidePanel>
      </div>
    </>
  );
}

interface Terms {
  view: WayInView;
  onOpen: (open: Open) => void;
}

function Pieces({ view, onOpen }: Terms) {
  return (
    <Block heading="What must come in">
      {view.pieces.length === 0 && (
        <Empty>
          <p className="mb-0">
            Beams, long sheets, tubs, machines: say how large and how heavy they are and where they go. Whether they
            come there is held against the way in and the drawn doors, and against windows where it does not.
          </p>
        </Empty>
      )}
      <Lines>
        {view.pieces.map((piece) => (
          <Piece key={piece.id} piece={piece} onOpen={onOpen} />
        ))}
      </Lines>
      <p className="small-text soft mt-3">
        Geometry and usual guidance: try it with a lath first. Whether a beam may have a joint is the engineer’s;
        lifting follows your health and safety rules and a risk assessment.
      </p>
    </Block>
  );
}

/** Done only where it comes in and nothing about it wants thought. */
const markOf = ({ fits, byAnother, said }: LargePieceView): StateIconKind =>
  fits ? (said.some(({ bad }) => bad) ? 'waiting' : 'done') : byAnother ? 'waiting' : 'stop';

function Piece({ piece, onOpen }: { piece: LargePieceView; onOpen: Terms['onOpen'] }) {
  const remove = useRemove();
  return (
    <Line
      mark={<StateIcon kind={markOf(piece)} />}
      beside={
        <span className="text-end no-print">
          <LinkButton className="d-block" onClick={() => onOpen({ form: 'change-piece', piece })}>
            Change<Hidden> {piece.what}</Hidden>
          </LinkButton>
          {piece.planned === null && (
            <LinkButton className="d-block" onClick={() => onOpen({ form: 'plan', piece })}>
              Plan the carrying<Hidden> of {piece.what}</Hidden>
            </LinkButton>
          )}
          <LinkButton className="d-block" onClick={() => remove('large-piece', piece.id, piece.what)}>
            Remove<Hidden> {piece.what}</Hidden>
          </LinkButton>
        </span>
      }
    >
      {piece.what} <span className="soft">to {piece.area}</span>
      <div className="small-text soft">{piece.text}</div>
      {piece.said.map(({ text, bad }) => (
        <div key={text} className={`small-text ${bad ? 'bad' : ''}`}>
          {text}
        </div>
      ))}
      {piece.held.length > 0 && <div className="small-text soft">Compared with: {piece.held.join('; ')}.</div>}
      {piece.planned && (
        <div className="small-text good">Carrying it in is {piece.planned === 'done' ? 'done' : 'in the plan'}.</div>
      )}
    </Line>
  );
}

function Ways({ view, onOpen }: Terms) {
  const remove = useRemove();
  return (
    <Block
      heading="What is narrow"
      beside={
        <Button size="sm" variant="outline-secondary" className="push no-print" onClick={() => onOpen({ form: 'way' })}>
          Add a narrow place
        </Button>
      }
    >
      {view.ways.length + view.unmeasured.length === 0 && (
        <p className="soft mt-2">
          Nothing measured yet: gate, alley, corridor, stair, landing. Doors and windows come from the drawings.
        </p>
      )}
      <Lines>
        {view.ways.map((way) => (
          <Line
            key={way.id}
            beside={
              <span className="d-flex gap-3 no-print">
                <LinkButton onClick={() => onOpen({ form: 'change-way', way })}>
                  Change<Hidden> {way.what}</Hidden>
                </LinkButton>
                <LinkButton onClick={() => remove('way-in', way.id, way.what)}>
                  Remove<Hidden> {way.what}</Hidden>
                </LinkButton>
              </span>
            }
          >
            {way.what}
            <div className={`small-text ${way.bad ? 'bad' : 'soft'}`}>
              {[way.text, way.area ? `to ${way.area}` : 'everything goes through here', way.beside && 'another way in']
                .filter(Boolean)
                .join('; ')}
            </div>
          </Line>
        ))}
        {view.unmeasured.map((found) => (
          <Line
            key={found.id}
            mark={<StateIcon kind="waiting" />}
            beside={
              <LinkButton className="no-print" onClick={() => onOpen({ form: 'way', from: found })}>
                Measure it<Hidden>: {found.text}</Hidden>
              </LinkButton>
            }
          >
            {found.text}
            <div className="small-text soft">found on the first visit, and not measured</div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}
