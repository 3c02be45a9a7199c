export const says: (code: string) => boolean;
export const withMessages: (
  code: string,
  file: string,
  compiled: boolean,
) => { code: string; map: { version: number; sources: string[]; names: string[]; mappings: string } };
