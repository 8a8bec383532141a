/**
 * Only the fields that are there. What is written down or sent says nothing of what nobody knows, and reads the same
 * when it is read back.
 */
export const given = <Fields extends object>(
  fields: Fields,
): { [Name in keyof Fields]?: Exclude<Fields[Name], undefined> } =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as {
    [Name in keyof Fields]?: Exclude<Fields[Name], undefined>;
  };
