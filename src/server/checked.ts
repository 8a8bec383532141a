import { ValidationError, type InferType, type Schema } from 'yup';
import { Refusal } from './refusal';

/** What came in as its schema has it, or a refusal beside the field. */
export async function checked<Shape extends Schema>(schema: Shape, body: unknown): Promise<InferType<Shape>> {
  try {
    return await schema.validate(body, { strict: true });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const { message, path } = error;
    throw new Refusal(400, { code: 'bad-input', message, ...(path ? { field: path } : {}) });
  }
}
