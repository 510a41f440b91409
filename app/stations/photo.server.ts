type PhotoType = "image/jpeg" | "image/png" | "image/webp";

const MOST_BYTES = 6 * 1024 * 1024;

/** What the first bytes say a picture is, whatever its name claims. */
function typeOf(bytes: Buffer): PhotoType | null {
  if (bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return "image/jpeg";
  if (bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])))
    return "image/png";
  if (bytes.toString("latin1", 0, 4) === "RIFF" && bytes.toString("latin1", 8, 12) === "WEBP")
    return "image/webp";
  return null;
}

/** The photo in a form, nothing, or why it is refused. */
export async function photoIn(
  form: FormData,
): Promise<{ photo: { type: PhotoType; bytes: Buffer } | null } | { problem: string }> {
  const file = form.get("photo");
  if (!(file instanceof File) || file.size === 0) return { photo: null };
  if (file.size > MOST_BYTES) return { problem: "A photo may have at most 6 MB." };
  const bytes = Buffer.from(await file.arrayBuffer());
  const type = typeOf(bytes);
  return type ? { photo: { type, bytes } } : { problem: "That is no JPEG, PNG or WebP picture." };
}
