/** Why a print stands still: somebody wished it, the file asks for another colour, or something has to be put right. */
export type PauseReason = 'user' | 'filament' | 'runout' | 'clog' | 'door' | 'other';
