// A photograph made small enough to keep, and sent to the larder.
import { patientFetch, wrongs, type Wrong } from "$lib/api/client";

const LONGEST = 1280;

/** Keep a picture of a package; what is wrong with it, if anything is. */
export async function keepPhoto(number: number, file: File): Promise<Wrong | undefined> {
  try {
    const headers = { "Content-Type": "image/jpeg" };
    const answer = await patientFetch(new Request(`/api/packages/${number}/photos`, { method: "POST", body: await small(file), headers }));
    return answer.ok ? undefined : wrongs(await answer.json());
  } catch {
    return { photo: { message: "That picture cannot be read here; a JPEG or PNG, please", nearest: [] } };
  }
}

async function small(file: File): Promise<Blob> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale));
  canvas.getContext("2d")?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return canvas.convertToBlob({ type: "image/jpeg", quality: 0.82 });
}
