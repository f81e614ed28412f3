const LONGEST_PX = 1600;

/**
 * A picture file scaled down to what a page needs, drawn anew, so that nothing that a camera wrote into it (place, time,
 * whose phone) is sent along. Rejects with a sentence for a file that is no picture.
 */
export async function smallerPicture(file: File): Promise<File> {
  const image = await createImageBitmap(file).catch(() => {
    throw new Error(`${file.name} is no picture that can be read.`);
  });
  const scale = Math.min(1, LONGEST_PX / Math.max(image.width, image.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(image.width * scale));
  canvas.height = Math.max(1, Math.round(image.height * scale));
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  image.close();
  // A drawing stays sharp as PNG; a photograph would be large so.
  const mediaType = file.type === 'image/png' ? 'image/png' : 'image/jpeg';
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, mediaType, 0.85));
  if (!blob) throw new Error(`${file.name} could not be scaled down.`);
  return new File([blob], file.name, { type: mediaType });
}
