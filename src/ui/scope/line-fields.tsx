import { MEASURES } from '@/core/layout/measures';
import { TRADE_KEYS, TRADES } from '@/core/sequence/trades';
import { STANCE_KEYS, STANCES } from '@/core/sites/area';
import type { ScopeArea, ScopePageView } from '@/contract/views/scope';
import { SelectField, TextField } from '../kit/form';

export const TRADE_OPTIONS = TRADE_KEYS.filter((trade) => trade !== 'nobody').map(
  (trade) => [trade, TRADES[trade]] as const,
);

/** What one line of scope is made of. */
export function LineFields({
  area,
  selections,
}: {
  area: ScopeArea | undefined;
  selections: ScopePageView['selections'];
}) {
  return (
    <>
      <SelectField
        name="stance"
        label="How it stands"
        options={STANCE_KEYS.map((stance) => [stance, STANCES[stance]])}
      />
      <div className="form-pair">
        <TextField name="verb" label="What happens" hint="like “replace”" />
        <TextField name="subject" label="to what" hint="like “both windows”" />
      </div>
      <div className="form-pair">
        <TextField name="quantity" label="How much" type="number" />
        <TextField name="unit" label="Unit" hint="m, m², ft, sq ft, pieces" />
      </div>
      {area && area.measures.length > 0 && (
        <SelectField
          name="measure"
          label="Or as the drawing measures it"
          none="as typed above"
          options={area.measures.map(({ measure, value }) => [measure, `${MEASURES[measure].label}, ${value}`])}
          hint="It then follows the drawing."
        />
      )}
      <SelectField name="trade" label="Whose work" none="not said" options={TRADE_OPTIONS} />
      <TextField
        name="place"
        label="Kept where, or protected with what"
        hint="For what is taken down and refitted, or protected."
      />
      <TextField name="dependsOn" label="Depends on" hint="Where it can only be known once something is opened." />
      {selections.length > 0 && (
        <SelectField
          name="selection"
          label="With what was chosen"
          none="nothing chosen for it"
          options={selections.map((item) => [item.id, `${item.category}, ${item.area}`])}
        />
      )}
    </>
  );
}
