'use client';
import { useIsDemo } from '../shell/demo';
import { TextField } from './form';

/** To whom a statement, a change or a question goes, and until when its page opens. */
export function SendFields() {
  const isDemo = useIsDemo();
  return (
    <>
      <div className="form-pair">
        <TextField name="name" label="To" />
        <TextField name="address" label="Their e-mail" type="email" />
      </div>
      <TextField name="expiresOn" label="Link works until" type="date" />
      <p className="small-text soft mb-0">
        {isDemo
          ? 'The demo only plays at sending: nothing leaves this machine. The link stands under News.'
          : 'This program sends no e-mail by itself: under News you open the message in your own, or copy its link.'}
      </p>
    </>
  );
}
