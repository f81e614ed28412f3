/* What is kept of files as data. It stands apart from reading them, so that a database needs no geometry kernel. */

export { DEFAULT_FILE_PATTERN } from './fileName.ts';
