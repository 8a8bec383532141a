'use client';
import { changeArea } from '@/contract/commands/sites';
import type { PlacedArea } from '@/contract/views/firm';
import { workFacts, worksFor } from '@/core/sequence/works';
import { AREA_KIND_KEYS, AREA_KINDS, type AreaKind } from '@/core/sites/area';
import { HOUSEHOLD_NEED_KEYS, HOUSEHOLD_NEEDS } from '@/core/sites/household-needs';
import { useWatch } from 'react-hook-form';
import { CheckField, CommandForm, SelectField, TextField, TicksField } from '../kit/form';

type Terms = {
  area: Omit<PlacedArea, 'levelName'>;
  levels: readonly { id: string; name: string }[];
  /** Rooms that may lie beside it. */
  others: readonly { id: string; name: string }[];
  onDone: () => void;
};

/** What an area is called, what it is, where it lies, and what is done in it. */
export function ChangeArea({ area, levels, others, onDone }: Terms) {
  const { id, version, name, kind, level, works, size, livedIn, passage, called, provides, beside, opensTo } = area;
  return (
    <CommandForm
      kind={changeArea}
      submit="Save"
      onDone={onDone}
      start={() => ({
        id,
        version,
        name,
        kind,
        level: level ?? 'outside',
        works,
        size,
        livedIn,
        passage,
        called,
        provides,
        beside,
        opensTo,
      })}
    >
      <TextField name="name" label="Name" />
      <div className="form-pair">
        <SelectField name="kind" label="Kind" options={AREA_KIND_KEYS.map((key) => [key, AREA_KINDS[key]])} />
        <SelectField
          name="level"
          label="Level"
          options={[...levels.map((entry) => [entry.id, entry.name] as const), ['outside', 'outside']]}
        />
      </div>
      <Works />
      <TextField
        name="called"
        label="Also called"
        hint="what people say on site, parted by semicolons: gallery; upstairs hall"
      />
      <TextField
        name="size"
        label="Size"
        type="number"
        hint="1 is an ordinary room; 2 takes twice the time. Steps already laid keep their own."
      />
      <CheckField name="livedIn" label="Somebody lives in it during the work" />
      <CheckField name="passage" label="Others are reached through it" />
      <TicksField
        name="provides"
        label="What the household has here"
        options={HOUSEHOLD_NEED_KEYS.map((need) => [need, HOUSEHOLD_NEEDS[need]])}
      />
      {others.length > 0 && (
        <>
          <TicksField
            name="beside"
            label="Shares a wall with"
            options={others.map(({ id: other, name: its }) => [other, its])}
          />
          <TicksField
            name="opensTo"
            label="The wall comes out to"
            options={others.map(({ id: other, name: its }) => [other, its])}
          />
        </>
      )}
    </CommandForm>
  );
}

/** The work there is in an area of the kind that is chosen. */
function Works() {
  const kind = useWatch({ name: 'kind' }) as AreaKind;
  return <TicksField name="works" label="Work" options={worksFor(kind).map((work) => [work, workFacts(work).label])} />;
}
