import { SelectField, TextField } from './form';

/** A day and the half of it. */
export const DayAndHalf = ({ label = 'Day' }: { label?: string }) => (
  <div className="form-pair">
    <TextField name="day" label={label} type="date" />
    <SelectField
      name="half"
      label="Half"
      options={[
        ['0', 'morning'],
        ['1', 'afternoon'],
      ]}
    />
  </div>
);
