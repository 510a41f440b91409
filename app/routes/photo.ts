import { database } from "../../data/database.ts";
import { findPhoto } from "../../data/readings.ts";
import type { Route } from "./+types/photo";

export async function loader({ params }: Route.LoaderArgs) {
  const photo = findPhoto(database(), params.photoId);
  if (!photo) throw new Response("There is no such photo.", { status: 404 });
  return new Response(new Uint8Array(photo.bytes), {
    headers: {
      "Content-Type": photo.type,
      "Content-Disposition": "inline",
      "Cache-Control": "private, max-age=31536000, immutable",
      "X-Content-Type-Options": "nosniff",
    },
  });
}
