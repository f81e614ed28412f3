import { printRoomTexts as say } from '../texts/printRoom';

/** Whose parts are on a batch: "Asha", "Asha and Bruno", "Asha, Bruno and Cleo", "Asha, Bruno and 4 more". */
export function namesOf(parts: readonly { readonly student: string }[]): string {
  const names = [...new Set(parts.map(({ student }) => student))];
  if (names.length <= 3) return [...names.slice(0, -2), names.slice(-2).join(say.and)].join(', ');
  return say.andMore(names.slice(0, 2), names.length - 2);
}
