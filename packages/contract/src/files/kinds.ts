export const FILE_KINDS = ['strings', 'sets', 'stock'] as const;
export type FileKind = (typeof FILE_KINDS)[number];
export const FILE_FORMATS = ['csv', 'json'] as const;
export type FileFormat = (typeof FILE_FORMATS)[number];
