'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { useFormContext, useWatch } from 'react-hook-form';
import { pictureRoute } from '@/contract/routes';
import { sentence } from '@/core/words/letters';
import { upload } from '../offline/upload';
import { described, FieldFrame, useFieldId, type FieldTerms } from './form';
import { LinkButton } from './link-button';

/** A picture from the camera or a file: handed over when it is chosen, kept in the form by its hash. */
export function PictureField({ name, label, hint }: FieldTerms) {
  const { setValue } = useFormContext();
  const hash = useWatch({ name }) as string | undefined;
  const [state, setState] = useState<{ busy: boolean; error?: string }>({ busy: false });
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setState({ busy: true });
    const kept = await upload({ what: 'picture', content: file });
    if (kept === 'later') return setState({ busy: false, error: 'no answer; the picture was not taken, try again' });
    if (!('hash' in kept)) return setState({ busy: false, error: kept.title });
    setValue(name, kept.hash);
    setState({ busy: false });
  };
  return (
    <FieldFrame {...{ name, label, error: state.error, ...(hint ? { hint } : {}) }}>
      {hash && (
        <div className="d-flex gap-2 align-items-end mb-1">
          {/* Sized by our own route: the framework's loader would go round it. */}
          <img src={pictureRoute(undefined, hash, 240)} alt={`${label}, as taken`} width={120} height={90} />
          <LinkButton onClick={() => setValue(name, undefined)}>Remove the picture</LinkButton>
        </div>
      )}
      <Form.Control
        type="file"
        accept="image/*"
        isInvalid={state.error !== undefined}
        {...described(useFieldId(name), hint, state.error)}
        onChange={(event) => void take((event.target as HTMLInputElement).files?.[0])}
      />
      {state.busy && <Form.Text>{sentence('taking the picture')}</Form.Text>}
    </FieldFrame>
  );
}
