import { getMetadataStorage } from 'class-validator';

let remembers = false;

/**
 * Keeps the rules of each class once they were gathered. class-validator looks through the rules of all classes at each
 * validation; for a press of one entry that is a sixth of all the work.
 */
export const rememberRules = (): void => {
  if (remembers) return;
  remembers = true;
  const storage = getMetadataStorage();
  const gather = storage.getTargetValidationMetadatas.bind(storage);
  const known = new Map<unknown, ReturnType<typeof gather>>();
  storage.getTargetValidationMetadatas = (of, schema, always, strict, groups) => {
    // Only what depends on the class alone can be kept.
    if (schema || always || strict || groups?.length) return gather(of, schema, always, strict, groups);
    const kept = known.get(of) ?? gather(of, schema, always, strict, groups);
    known.set(of, kept);
    return kept;
  };
};
