/** Capitals and digits that are not taken for one another when they are read off a board or a screen. */
export const UNAMBIGUOUS_CHARACTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
