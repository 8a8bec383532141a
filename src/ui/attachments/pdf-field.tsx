import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { useController, useFormContext } from 'react-hook-form';
import { LARGEST_PDF } from '@/contract/commands/attachments';
import { described, FieldFrame, useFieldId, type FieldTerms } from '../kit/form';
import { upload } from '../offline/upload';

const MOST = `${LARGEST_PDF / 1024 / 1024} MB`;

/** A PDF that is handed over as soon as it is chosen; the form names it by its hash. @param onKept told what it was called */
export function PdfField({ name, label, onKept }: FieldTerms & { onKept: (called: string) => void }) {
  const { control } = useFormContext();
  const { field, fieldState } = useController({ name, control });
  const [untaken, setUntaken] = useState<string>();
  const [busy, setBusy] = useState(false);
  const error = untaken ?? fieldState.error?.message;
  const hint = busy ? 'It is being handed over …' : `at most ${MOST}`;
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > LARGEST_PDF) return setUntaken(`a PDF has at most ${MOST}; save it smaller, or sheet by sheet`);
    setBusy(true);
    const kept = await upload({ what: 'pdf', content: file });
    setBusy(false);
    if (kept === 'later') return setUntaken('no connection: it was not kept; choose it again');
    if (kept === 'failed') return setUntaken('the server did not get through with it; try again');
    if (!('hash' in kept)) return setUntaken(kept.title);
    setUntaken(undefined);
    field.onChange(kept.hash);
    onKept(file.name.replace(/\.pdf$/i, ''));
  };
  return (
    <FieldFrame {...{ name, label, error, hint }}>
      <Form.Control
        type="file"
        accept="application/pdf"
        disabled={busy}
        isInvalid={error !== undefined}
        aria-invalid={error !== undefined}
        {...described(useFieldId(name), hint, error)}
        onChange={(event) => void take((event.target as HTMLInputElement).files?.[0])}
      />
    </FieldFrame>
  );
}
