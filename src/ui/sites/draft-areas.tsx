'use client';
import { Button, Form } from 'react-bootstrap';
import { workFacts, worksFor } from '@/core/sequence/works';
import { AREA_KIND_KEYS, AREA_KINDS, type AreaKind } from '@/core/sites/area';
import { isPassageByName, standsOnLevel, type DraftArea } from '@/core/sites/draft-area';
import { Hidden } from '../kit/hidden';

/** The areas before they are set out, each line changed in place. */
export function DraftAreas({
  areas,
  levels,
  onChange,
}: {
  areas: DraftArea[];
  levels: string[];
  onChange: (areas: DraftArea[]) => void;
}) {
  const ground = levels[0] ?? 'Ground floor';
  const put = (at: number, change: Partial<DraftArea>): void =>
    onChange(areas.map((area, index) => (index === at ? { ...area, ...change } : area)));
  const turn = (at: number, kind: AreaKind): void => {
    const works = (areas[at]?.works ?? []).filter((work) => workFacts(work).kinds.includes(kind));
    put(at, {
      kind,
      level: standsOnLevel(kind) ? (areas[at]?.level ?? ground) : null,
      works: works.length > 0 ? works : ['none'],
    });
  };
  return (
    <>
      <DraftTable areas={areas} put={put} ground={ground} turn={turn} onChange={onChange} />
      <datalist id="draft-levels">
        {levels.map((level) => (
          <option key={level} value={level} />
        ))}
      </datalist>
      <Button
        className="mt-2"
        size="sm"
        variant="outline-secondary"
        onClick={() =>
          onChange([
            ...areas,
            {
              name: '',
              kind: 'room',
              level: areas.findLast((area) => area.level !== null)?.level ?? ground,
              works: ['redecorate'],
              size: 1,
            },
          ])
        }
      >
        One more area
      </Button>
    </>
  );
}

/** The areas before they are set out. */
function DraftTable({
  areas,
  put,
  ground,
  turn,
  onChange,
}: {
  areas: DraftArea[];
  put: (at: number, change: Partial<DraftArea>) => void;
  ground: string;
  turn: (at: number, kind: AreaKind) => void;
  onChange: (areas: DraftArea[]) => void;
}) {
  return (
    <table className="table-lines">
      <thead>
        <tr>
          <th style={{ width: '20%' }}>Area</th>
          <th style={{ width: '16%' }}>Where</th>
          <th style={{ width: '15%' }}>Kind</th>
          <th>What is to be done</th>
          <th style={{ width: '11%' }}>Size</th>
          <th style={{ width: '7%' }}>
            <Hidden>Remove</Hidden>
          </th>
        </tr>
      </thead>
      <tbody>
        {areas.map((area, at) => (
          <tr key={at}>
            <td>
              <Form.Control
                size="sm"
                aria-label={`Name of area ${at + 1}`}
                value={area.name}
                onChange={(event) => put(at, { name: event.target.value })}
                maxLength={60}
              />
            </td>
            <td>
              <Where area={area} at={at} ground={ground} put={put} />
            </td>
            <td>
              <Form.Select
                size="sm"
                aria-label={`Kind of ${area.name}`}
                value={area.kind}
                onChange={(event) => turn(at, event.target.value as AreaKind)}
              >
                {AREA_KIND_KEYS.map((kind) => (
                  <option key={kind} value={kind}>
                    {AREA_KINDS[kind]}
                  </option>
                ))}
              </Form.Select>
            </td>
            <td>
              <details>
                <summary>{area.works.map((work) => workFacts(work).label).join(', ') || 'nothing'}</summary>
                {worksFor(area.kind).map((work) => (
                  <Form.Check
                    key={work}
                    id={`work-${at}-${work}`}
                    label={workFacts(work).label}
                    checked={area.works.includes(work)}
                    onChange={(event) =>
                      put(at, {
                        works: event.target.checked
                          ? [...area.works.filter((entry) => entry !== 'none' && work !== 'none'), work]
                          : area.works.filter((entry) => entry !== work),
                      })
                    }
                  />
                ))}
              </details>
            </td>
            <td>
              <Form.Select
                size="sm"
                aria-label={`Size of ${area.name}`}
                value={area.size}
                onChange={(event) => put(at, { size: Number(event.target.value) })}
              >
                {[...new Set([0.5, 0.75, 1, 1.5, 2, 3, area.size])]
                  .sort((a, b) => a - b)
                  .map((size) => (
                    <option key={size} value={size}>
                      {size === 1 ? 'ordinary' : `× ${size}`}
                    </option>
                  ))}
              </Form.Select>
            </td>
            <td>
              <Button size="sm" variant="link" onClick={() => onChange(areas.filter((_, index) => index !== at))}>
                Remove<Hidden> {area.name}</Hidden>
              </Button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The storey of a room, and whether others pass through it. */
function Where({
  area,
  at,
  ground,
  put,
}: {
  area: DraftArea;
  at: number;
  ground: string;
  put: (at: number, change: Partial<DraftArea>) => void;
}) {
  if (!standsOnLevel(area.kind)) return <span className="soft">outside</span>;
  return (
    <>
      <Form.Control
        size="sm"
        list="draft-levels"
        aria-label={`Storey of ${area.name}`}
        value={area.level ?? ''}
        maxLength={40}
        onChange={(event) => put(at, { level: event.target.value || ground })}
      />
      <Form.Check
        id={`passage-${at}`}
        className="small-text"
        label="others pass through"
        checked={area.passage ?? isPassageByName(area.name, area.kind)}
        onChange={(event) => put(at, { passage: event.target.checked })}
      />
    </>
  );
}
