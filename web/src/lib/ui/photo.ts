// A photograph made small enough to keep, and sent to the larder.
import { api, AS_IT_IS, ask, type Wrong } from "$lib/api/client";

const LONGEST = 1280;

/** Keep a picture of a package; what is wrong with it, if anything is. */
export async function keepPhoto(number: number, file: File): Promise<Wrong | undefined> {
  const picture = await small(file).catch(() => undefined);
  if (!picture) return { photo: { message: "That picture cannot be read here; a JPEG or PNG, please", nearest: [] } };
  const { wrong } = await ask(
    api.POST("/api/packages/{number}/photos", {
      params: { path: { number } },
      headers: { "Content-Type": "image/jpeg" },
      body: picture as unknown as string,
      ...AS_IT_IS,
    }),
  );
  return wrong;
}

async function small(file: File): Promise<Blob> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale));
  canvas.getContext("2d")?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return canvas.convertToBlob({ type: "image/jpeg", quality: 0.82 });
}
