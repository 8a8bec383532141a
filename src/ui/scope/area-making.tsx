'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { copyArea, splitArea } from '@/contract/commands/scope';
import { addAreas } from '@/contract/commands/sites';
import type { ScopeArea, ScopePageView } from '@/contract/views/scope';
import { workFacts, worksFor, type Work } from '@/core/sequence/works';
import { AREA_KIND_KEYS, AREA_KINDS, type AreaKind } from '@/core/sites/area';
import { standsOnLevel } from '@/core/sites/draft-area';
import { CheckField, CommandForm, SelectField, TextField, TicksField } from '../kit/form';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

export type Making = 'add' | 'copy' | 'split';

/** What a new area is set into. */
interface AreaPlace {
  job: string;
  levels: readonly { id: string; name: string }[];
  onDone: (area?: string) => void;
}

interface Terms {
  making: Making;
  view: ScopePageView;
  area: ScopeArea | undefined;
  onDone: (area?: string) => void;
}

/** Areas as they are met: a new one, the same again (turned or not), one made into two. */
export function AreaMaking({ making, view, area, onDone }: Terms) {
  const [id] = useState(newId);
  if (making === 'copy' && area) {
    return (
      <CommandForm
        kind={copyArea}
        submit="Add area"
        onDone={() => onDone(id)}
        start={() => ({
          from: area.id,
          id,
          name: '',
          side: '',
          mirrored: false,
          parts: ['scope' as const, 'findings' as const, 'layout' as const],
        })}
      >
        <TextField name="name" label="Its name" hint={`It takes over what is said of ${area.name}.`} />
        <TextField name="side" label="Which side" hint="like “towards the lane” or “north”" />
        <TicksField
          name="parts"
          label="What is the same"
          options={[
            ['scope', 'lines of work'],
            ['findings', 'what was found'],
            ['layout', 'drawing and openings'],
          ]}
        />
        <CheckField name="mirrored" label="Turned: left and right change places" />
      </CommandForm>
    );
  }
  if (making === 'split' && area) {
    return (
      <CommandForm
        kind={splitArea}
        submit="Split"
        onDone={() => onDone(id)}
        start={() => ({
          id: area.id,
          version: area.version,
          name: `${area.name}, left`,
          secondId: id,
          secondName: `${area.name}, right`,
        })}
      >
        <div className="form-pair">
          <TextField name="name" label="The first part" />
          <TextField name="secondName" label="The second part" />
        </div>
        {area.sections > 1 && (
          <SelectField
            name="fromSection"
            label="The second begins with"
            none="half of it"
            options={Array.from({ length: area.sections - 1 }, (_, index) => [
              String(index + 2),
              `section ${index + 2}`,
            ])}
          />
        )}
        <p className="small-text soft mb-0">
          Lines and findings stay with the first part; drawing and openings go with their sections.
        </p>
      </CommandForm>
    );
  }
  return <AddArea job={view.job.id} levels={view.levels} onDone={onDone} />;
}

/** An area as it is met: its name, what it is, and what is to be done there. */
export function AddArea({ job, levels, onDone }: AreaPlace) {
  const [id] = useState(newId);
  const { give, busy } = useSend();
  const [name, setName] = useState('');
  const [kind, setKind] = useState<AreaKind>('face');
  const [level, setLevel] = useState('');
  const [works, setWorks] = useState<ReadonlySet<Work>>(new Set());
  const [tried, setTried] = useState(false);
  const onLevel = standsOnLevel(kind);
  const known = levels.find((entry) => entry.id === level) ?? levels[0];
  const turn = (next: AreaKind): void => {
    setKind(next);
    setWorks(new Set([...works].filter((work) => workFacts(work).kinds.includes(next))));
  };
  const keep = async (event: React.SubmitEvent): Promise<void> => {
    event.preventDefault();
    setTried(true);
    if (name.trim() === '') return;
    const made = onLevel && !known ? { id: newId(), name: 'Ground floor', height: 0, note: '' } : undefined;
    const done = await give(
      addAreas,
      {
        job,
        levels: made ? [made] : [],
        areas: [
          {
            id,
            name: name.trim(),
            kind,
            works: works.size > 0 ? [...works] : ['none' as const],
            size: 1,
            passage: false,
            livedIn: false,
            provides: [],
            beside: [],
            opensTo: [],
            ...(onLevel ? { level: made?.id ?? known?.id ?? '' } : {}),
          },
        ],
      },
      { text: `${name.trim()} is set down.` },
    );
    if (done) onDone(id);
  };
  return (
    <Form className="form-lines" onSubmit={(event) => void keep(event)}>
      <Form.Group controlId="area-name">
        <Form.Label className="mb-1">Its name</Form.Label>
        <Form.Control
          value={name}
          maxLength={60}
          isInvalid={tried && name.trim() === ''}
          onChange={(event) => setName(event.target.value)}
        />
        {tried && name.trim() === '' && (
          <Form.Text className="bad" role="alert">
            Every area needs a name.
          </Form.Text>
        )}
      </Form.Group>
      <Form.Group controlId="area-kind">
        <Form.Label className="mb-1">It is</Form.Label>
        <Form.Select value={kind} onChange={(event) => turn(event.target.value as AreaKind)}>
          {AREA_KIND_KEYS.map((entry) => (
            <option key={entry} value={entry}>
              {AREA_KINDS[entry]}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {onLevel && levels.length > 0 && (
        <Form.Group controlId="area-level">
          <Form.Label className="mb-1">On</Form.Label>
          <Form.Select value={known?.id ?? ''} onChange={(event) => setLevel(event.target.value)}>
            {levels.map((entry) => (
              <option key={entry.id} value={entry.id}>
                {entry.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      )}
      <fieldset>
        <legend className="form-label fs-6 mb-1">What is to be done</legend>
        <div className="ticks">
          {worksFor(kind)
            .filter((work) => work !== 'none')
            .map((work) => (
              <Form.Check
                key={work}
                id={`work-${work}`}
                label={workFacts(work).label}
                checked={works.has(work)}
                onChange={() =>
                  setWorks((now) =>
                    now.has(work) ? new Set([...now].filter((entry) => entry !== work)) : new Set([...now, work]),
                  )
                }
              />
            ))}
        </div>
      </fieldset>
      <div className="actions">
        <Button type="submit" disabled={busy}>
          Add area
        </Button>
      </div>
    </Form>
  );
}
