import { useDraggable } from '@dnd-kit/core';
import type { CSSProperties } from 'react';
import type { BoardBlock } from '@/contract/views/plan';
import { Hidden } from '../kit/hidden';
import { soft } from './soft-words';

/** All that a block says, for whoever hears it. */
function heard(block: BoardBlock, withJob: boolean): string {
  const { visit, pin } = block;
  const said = visit && (visit.said === 'confirmed' ? 'they said yes' : 'not confirmed');
  return `${[
    `${withJob ? `${block.job}, ` : ''}${block.label}, ${block.when}`,
    ...(block.fraction > 0 ? [`${Math.round(block.fraction * 100)} % done`] : []),
    ...(block.tone === 'held' ? ['held'] : []),
    ...(pin ? [`pinned: ${pin}`] : []),
    ...(said ? [said] : []),
  ].join(', ')}. Why here?`;
}

/** Whether nobody has said yes to its day yet. */
const isUnsaid = ({ visit }: BoardBlock): boolean => visit !== null && visit.said !== 'confirmed';

interface Terms {
  block: BoardBlock;
  /** It is at a job that the board is not of. */
  elsewhere: boolean;
  /** By which foot line its job is told; none where the board is of one job. */
  foot: number | undefined;
  chosen: boolean;
  onChoose: (task: string) => void;
}

/**
 * A piece of work on the board: what first, then where; its short name where there is less room and two letters where there
 * is hardly any, which its width decides. What is done of it stands, what is not lies in mist.
 */
export function Piece({ block, elsewhere, foot, chosen, onChoose }: Terms) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: block.task,
    data: block,
    disabled: !block.movable || block.cutLeft,
  });
  const looks = [
    elsewhere ? 'of-others' : block.tone,
    block.movable && 'movable',
    block.pin && 'pinned',
    isUnsaid(block) && 'unsaid',
    foot !== undefined && `foot-${foot % FEET}`,
    chosen && 'chosen',
    isDragging && 'dragged',
  ].filter(Boolean);
  const where = elsewhere ? `at ${block.job}` : (block.place ?? '');
  return (
    <>
      <button
        ref={setNodeRef}
        {...listeners}
        type="button"
        data-task={block.task}
        title={`${block.label}, ${block.when}`}
        className={`piece ${looks.join(' ')}`}
        style={
          {
            gridColumn: `${block.start + 1} / ${block.finish + 1}`,
            gridRow: block.lane + 1,
            '--done': `${Math.round(block.fraction * 100)}%`,
            ...(transform ? { transform: `translateX(${transform.x}px)` } : {}),
          } as CSSProperties
        }
        onClick={() => onChoose(block.task)}
      >
        {block.fraction > 0 && <span className="stood" aria-hidden="true" />}
        <span className="words" aria-hidden="true">
          <b className="full">{soft(block.what)}</b>
          <b className="brief">{block.short}</b>
          <b className="code">{block.code}</b>
          <span className="where">{where}</span>
        </span>
        <Hidden>{heard(block, foot !== undefined || elsewhere)}</Hidden>
      </button>
      {block.float > 0 && !elsewhere && (
        <span
          aria-hidden="true"
          className="float"
          style={{ gridColumn: `${block.finish + 1} / span ${block.float}`, gridRow: block.lane + 1 }}
        />
      )}
    </>
  );
}

/** So many jobs are told apart by their foot lines before one comes again. */
export const FEET = 8;
