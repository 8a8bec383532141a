'use client';
import { SENDING_WORDS, useSending } from '../shell/demo';
import { TextField } from './form';

/** To whom a statement, a change or a question goes, and until when its page opens. */
export function SendFields() {
  const sending = useSending();
  return (
    <>
      <div className="form-pair">
        <TextField name="name" label="To" />
        <TextField name="address" label="Their e-mail" hint="Or a telephone number, for a text." />
      </div>
      <TextField name="expiresOn" label="Link works until" type="date" />
      <p className="small-text soft mb-0">{SENDING_WORDS[sending]}</p>
    </>
  );
}
