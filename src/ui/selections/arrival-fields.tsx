import { SelectField, TextField } from '../kit/form';

/** On which day, in which half of it and into which room something comes. @param day the name of the day's field */
export const ArrivalFields = ({
  day,
  dayLabel,
  rooms,
}: {
  day: string;
  dayLabel: string;
  rooms: readonly (readonly [string, string])[];
}) => (
  <>
    <div className="form-pair">
      <TextField name={day} label={dayLabel} type="date" />
      <SelectField
        name="half"
        label="When"
        none="any time"
        options={[
          ['morning', 'in the morning'],
          ['afternoon', 'in the afternoon'],
        ]}
      />
    </div>
    <div className="form-pair">
      <SelectField name="place" label="Into which room" none="not settled" options={rooms} />
      <TextField name="placeNote" label="Where there" />
    </div>
  </>
);
