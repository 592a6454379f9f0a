export const FILE_KINDS = ['strings', 'sets', 'stock', 'owners', 'instruments'] as const;
export type FileKind = (typeof FILE_KINDS)[number];
export const FILE_FORMATS = ['csv', 'json', 'vcf'] as const;
/** Formats in which each kind goes out and comes in: owners as cards, too. */
export const formatsOf = (kind: FileKind): readonly FileFormat[] => (kind === 'owners' ? FILE_FORMATS : ['csv', 'json']);
export type FileFormat = (typeof FILE_FORMATS)[number];
