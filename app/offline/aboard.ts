/** What a device takes along to work out of reach of the server: which pages, under what key, and how it is told of them. */

/** The browser's cache the pages lie in. */
export const PAGES = "ambrek-pages";
/** What was taken along, for whoever asks without a connection. */
export const LIST = "/aboard";
/** Answers while the server does; nothing else is in it. */
export const HERE = "/here.txt";

export type AboardRig = {
  id: number;
  name: string;
  /** how far its record had grown when its pages were asked for */
  mark: number;
  /** nothing was written about it since the mark this device named */
  fresh: boolean;
  pages: string[];
};

export type AboardList = {
  /** of the build and of what this device chose: where it is another, every page is another */
  version: string;
  rigs: AboardRig[];
  /** pages of no rig */
  pages: string[];
  /** rigs in use that there was no room for */
  left: number;
};

/** What a page is seen by, not what it is: which reading is open, from where it is drawn, which routes are asked anew. */
const PASSING = ["at", "after", "view", "_routes", "index"];

/** Under what a page is kept, of its document and of its data alike: the path, and what else it is a page of. */
export function keyOf(address: string): string {
  const { pathname, searchParams } = new URL(address, "http://here");
  for (const name of PASSING) searchParams.delete(name);
  searchParams.sort();
  const search = searchParams.toString();
  return search === "" ? pathname : `${pathname}?${search}`;
}

/** Where the data of a page is asked for by itself: "/rigs/3/tool" is "/rigs/3/tool.data". */
export function dataOf(page: string): string {
  const [path, search] = page.split("?");
  const data = path === "/" ? "/_root.data" : `${path}.data`;
  return search === undefined ? data : `${data}?${search}`;
}

/** What the service worker tells a page: it answered from what is aboard, or an action could not be sent. */
export type WorkerSays = { said: "from-aboard" } | { said: "not-sent" };
