'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { useController, useFormContext } from 'react-hook-form';
import { LARGEST_PICTURE } from '@/contract/commands/walks';
import { api } from '@/contract/routes';
import { described, FieldFrame, useFieldId, type FieldTerms } from './form';
import { useHeldPicture } from './delivery';
import { LinkButton } from './link-button';
import { useHandedOver } from './use-handed-over';

/** A picture taken or chosen. On a walk it goes with what the form says; else it is kept at once, and named by its hash. */
export function PictureField(terms: FieldTerms) {
  const held = useHeldPicture();
  return held ? <HeldPictureField {...terms} hold={held.hold} /> : <KeptPictureField {...terms} />;
}

/** A picture that is kept on this device with the form's words, and handed over with them. */
function HeldPictureField({ name, label, hint, hold }: FieldTerms & { hold: (file: File | undefined) => void }) {
  const [large, setLarge] = useState(false);
  const take = (file: File | undefined): void => {
    const fits = file === undefined || file.size <= LARGEST_PICTURE;
    setLarge(!fits);
    hold(fits ? file : undefined);
  };
  const error = large ? `a picture has at most ${LARGEST_PICTURE / 1024 / 1024} MB; take it smaller` : undefined;
  return (
    <FieldFrame {...{ name, label, error, ...(hint ? { hint } : {}) }}>
      <Form.Control
        type="file"
        accept="image/*"
        isInvalid={large}
        {...described(useFieldId(name), hint, error)}
        onChange={(event) => take((event.target as HTMLInputElement).files?.[0])}
      />
    </FieldFrame>
  );
}

/** Kept at once, the form then names it by its hash. */
function KeptPictureField({ name, label, hint }: FieldTerms) {
  const { control } = useFormContext();
  const { field, fieldState } = useController({ name, control });
  const hash = field.value as string | null | undefined;
  const { busy, untaken, take } = useHandedOver('picture', LARGEST_PICTURE, field.onChange);
  const error = untaken ?? fieldState.error?.message;
  return (
    <FieldFrame {...{ name, label, error, ...(hint ? { hint } : {}) }}>
      {hash && (
        <div className="d-flex gap-2 align-items-end mb-1">
          <img
            src={api.picture(hash, 240)}
            alt="What is kept so far"
            width={96}
            height={72}
            className="object-fit-cover"
          />
          <LinkButton onClick={() => field.onChange(undefined)}>Remove the picture</LinkButton>
        </div>
      )}
      <Form.Control
        // What was chosen before would else stand beside the button after it was removed.
        key={hash ?? ''}
        type="file"
        accept="image/*"
        disabled={busy}
        isInvalid={error !== undefined}
        {...described(useFieldId(name), hint, error)}
        onChange={(event) => void take((event.target as HTMLInputElement).files?.[0])}
      />
    </FieldFrame>
  );
}
