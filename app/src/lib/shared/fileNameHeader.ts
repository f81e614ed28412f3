/** The header that names a file which a page sends, written as a part of an address: headers hold no letters like ł. */
export const FILE_NAME_HEADER = 'file-name';
