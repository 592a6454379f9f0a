/** Pattern that finds `text` anywhere; signs that LIKE would take for its own are escaped. */
export const containing = (text = '') => `%${text.trim().replace(/[\\%_]/g, '\\$&')}%`;
