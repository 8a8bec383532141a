import { Form } from 'react-bootstrap';
import { useController, useFormContext } from 'react-hook-form';
import { LARGEST_PDF } from '@/contract/commands/attachments';
import { described, FieldFrame, useFieldId, type FieldTerms } from '../kit/form';
import { useHandedOver } from '../kit/use-handed-over';

/** A PDF that is handed over as soon as it is chosen; the form names it by its hash. @param onKept told what it was called */
export function PdfField({ name, label, onKept }: FieldTerms & { onKept: (called: string) => void }) {
  const { control } = useFormContext();
  const { field, fieldState } = useController({ name, control });
  const { busy, untaken, take } = useHandedOver('pdf', LARGEST_PDF, (hash, file) => {
    field.onChange(hash);
    onKept(file.name.replace(/\.pdf$/i, ''));
  });
  const error = untaken ?? fieldState.error?.message;
  const hint = busy ? 'It is being handed over …' : `at most ${LARGEST_PDF / 1024 / 1024} MB`;
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
