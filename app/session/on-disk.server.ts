import { onDisk } from "../../data/database.ts";

/** Answers a request; what wrote is answered once that is on the disk: a phone drops its own copy of an entry on the answer. */
export async function keptOnDisk(request: Request, answer: () => Promise<Response>): Promise<Response> {
  const response = await answer();
  if (request.method !== "GET" && request.method !== "HEAD") await onDisk();
  return response;
}
