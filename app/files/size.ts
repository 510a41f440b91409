const MB = 1e6;
const GB = 1e9;

/** "2.1 MB", "1.0 GB": what a file comes to. */
export const sizeText = (bytes: number): string =>
  bytes < GB ? `${(bytes / MB).toFixed(1)} MB` : `${(bytes / GB).toFixed(1)} GB`;
