'use client';
import { api } from '@/contract/routes';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { useController, useFormContext } from 'react-hook-form';
import { upload } from '../offline/upload';

/** A picture taken or chosen, kept at once; the command then names it. */
export function PictureField({ name, label }: { name: string; label: string }) {
  const { control } = useFormContext();
  const { field } = useController({ name, control });
  const [told, setTold] = useState<string>();
  const [busy, setBusy] = useState(false);
  const hash = field.value as string | undefined;
  const put = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setBusy(true);
    const kept = await upload({ what: 'picture', content: file });
    setBusy(false);
    setTold(
      kept === 'later'
        ? 'The picture was not kept: no connection. Choose it again.'
        : 'hash' in kept
          ? undefined
          : kept.title,
    );
    if (kept !== 'later' && 'hash' in kept) field.onChange(kept.hash);
  };
  return (
    <Form.Group controlId={`field-${name}`}>
      <Form.Label className="mb-1">{label}</Form.Label>
      <div className="d-flex gap-2 align-items-center">
        {hash && (
          <img
            src={api.picture(hash, 240)}
            alt="What is kept so far"
            width={72}
            height={54}
            className="object-fit-cover"
          />
        )}
        <Form.Control
          type="file"
          accept="image/*"
          disabled={busy}
          onChange={(event) => void put((event.target as HTMLInputElement).files?.[0])}
        />
      </div>
      {told && (
        <Form.Text className="bad d-block" role="alert">
          {told}
        </Form.Text>
      )}
    </Form.Group>
  );
}
