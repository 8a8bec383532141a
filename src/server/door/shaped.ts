import { ValidationError } from 'yup';
import { Refusal } from '../refusal';

/**
 * The checked value with its defaults; unknown keys are refused, so that a misspelled one is never silently dropped.
 */
export function shaped<Value>(
  schema: { validateSync: (value: unknown, options: object) => unknown },
  input: unknown,
): Value {
  try {
    return schema.validateSync(input, { strict: false, abortEarly: false, stripUnknown: false, context: {} }) as Value;
  } catch (error) {
    if (error instanceof ValidationError) throw error;
    // Casting an object that pretends to be text fails inside the schema itself: bad input all the same.
    throw new Refusal(400, {
      code: 'bad-input',
      message: 'Some value is of a kind that is never sent; texts, numbers and lists are.',
    });
  }
}
