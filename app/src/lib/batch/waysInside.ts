import { infillWays, type PrintChoice, type PrintSettings } from '@kelbrin/core/slice';

type Infill = Pick<PrintChoice, 'infillWay' | 'infillDirections'>;

/** How the inside is filled as one choice: the name of a way, or for straight lines the number of their directions. */
export function patternOf(
  { infillWay, infillDirections }: Infill,
  usual: Pick<PrintSettings, 'infillWay' | 'infillDirections'>,
): string {
  const way = infillWay ?? usual.infillWay;
  return way === 'lines' ? String(infillDirections ?? usual.infillDirections) : way;
}

/** What is chosen by a name of {@link patternOf}; an empty one leaves it open. */
export function inPattern(pattern: string): Infill {
  if (pattern === '') return { infillWay: undefined, infillDirections: undefined };
  const infillWay = infillWays.find((each) => each === pattern);
  if (infillWay) return { infillWay, infillDirections: undefined };
  return { infillWay: 'lines', infillDirections: Number(pattern) as Infill['infillDirections'] };
}
