import { Form } from 'react-bootstrap';
import { useFormContext, useWatch } from 'react-hook-form';
import { described, FieldFrame, useFieldId, type FieldTerms } from './form';

/** A list of texts, one a line; what is wrong with any of them stands beneath. */
export function LinesField({ name, label, hint, rows = 3 }: FieldTerms & { rows?: number }) {
  const { setValue, getFieldState, formState } = useFormContext();
  const lines = (useWatch({ name }) as string[] | undefined) ?? [];
  const error = messageIn(getFieldState(name, formState).error);
  return (
    <FieldFrame {...{ name, label, error, ...(hint ? { hint } : {}) }}>
      <Form.Control
        as="textarea"
        rows={rows}
        value={lines.join('\n')}
        isInvalid={error !== undefined}
        {...described(useFieldId(name), hint, error)}
        onChange={(event) => setValue(name, event.target.value.split('\n'), { shouldValidate: false })}
        onBlur={() =>
          setValue(
            name,
            lines.filter((line) => line.trim() !== ''),
          )
        }
      />
    </FieldFrame>
  );
}

/** The first that is wrong, of the list or of one of its lines. */
function messageIn(error: unknown): string | undefined {
  const whole = (error as { message?: unknown } | undefined)?.message;
  if (typeof whole === 'string' && whole !== '') return whole;
  const lines = Array.isArray(error) ? (error as ({ message?: string } | undefined)[]) : [];
  const at = lines.findIndex((line) => line?.message !== undefined);
  return at === -1 ? undefined : `line ${at + 1}: ${lines[at]?.message ?? ''}`;
}
