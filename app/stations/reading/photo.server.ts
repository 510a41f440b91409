import { type PhotoType, photoType } from "../../../data/photo-type.ts";

const MOST_BYTES = 6 * 1024 * 1024;

/** The photo in a form, nothing, or why it is refused. */
export async function photoIn(
  form: FormData,
): Promise<{ photo: { type: PhotoType; bytes: Buffer } | null } | { problem: string }> {
  const file = form.get("photo");
  if (!(file instanceof File) || file.size === 0) return { photo: null };
  if (file.size > MOST_BYTES) return { problem: "A photo may have at most 6 MB." };
  const bytes = Buffer.from(await file.arrayBuffer());
  const type = photoType(bytes);
  return type ? { photo: { type, bytes } } : { problem: "That is no JPEG, PNG or WebP picture." };
}
