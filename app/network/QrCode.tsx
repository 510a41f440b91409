/** A QR code made on the server, to point a camera at. */
export function QrCode({ svg, of, className }: { svg: string; of: string; className: string }) {
  return (
    <img
      src={`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`}
      alt={`QR code of ${of}`}
      className={`border border-line bg-white ${className}`}
    />
  );
}
