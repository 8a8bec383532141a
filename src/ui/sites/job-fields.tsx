import { CheckField, SelectField, TextField } from '../kit/form';

/** The fields of a job, for a new one and for changing one. */
export function JobFields() {
  return (
    <>
      <TextField name="name" label="Name of the job" hint="As you call it on the phone." />
      <TextField name="address" label="Address" />
      <div className="form-pair">
        <TextField name="client" label="Client" />
        <TextField name="clientEmail" label="Client’s e-mail" type="email" hint="Like name@example.net." />
      </div>
      <TextField
        name="gettingIn"
        label="Getting in"
        hint="Keys, a code, where to park, who opens: only whoever comes to work reads it."
      />
      <div className="form-pair">
        <TextField name="startDay" label="First day of work" type="date" />
        <TextField name="promiseDay" label="Promised to be done by" type="date" />
      </div>
      <div className="form-pair">
        <SelectField
          name="units"
          label="Measured in"
          options={[
            ['metric', 'millimetres'],
            ['imperial', 'feet and inches'],
          ]}
        />
        <SelectField
          name="loudHalf"
          label="Loud work"
          none="any time"
          options={[
            ['morning', 'only in the morning'],
            ['afternoon', 'only in the afternoon'],
          ]}
        />
      </div>
      <CheckField name="livedIn" label="Somebody lives there during the work" />
    </>
  );
}
