import { TextField } from './form';

/** To whom a statement, a change or a question goes, and until when its page opens. */
export function SendFields() {
  return (
    <>
      <div className="form-pair">
        <TextField name="name" label="To" />
        <TextField name="address" label="Their address" type="email" />
      </div>
      <TextField name="expiresOn" label="Link works until" type="date" />
      <p className="small-text soft mb-0">
        It goes out through the simulated gateway: nothing leaves this machine. The link stands under News.
      </p>
    </>
  );
}
