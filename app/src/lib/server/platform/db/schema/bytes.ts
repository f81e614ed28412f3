import { customType } from 'drizzle-orm/pg-core';

/** A column of raw bytes. */
export const bytes = customType<{ data: Uint8Array; driverData: Uint8Array }>({
  dataType: () => 'bytea',
});
