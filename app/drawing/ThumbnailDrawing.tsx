import type { Thumbnail } from "../../core/drawing/thumbnail.ts";

/** A rig from above, small and to scale. */
export function ThumbnailDrawing({
  drawing,
  title,
  className,
}: {
  drawing: Thumbnail;
  title: string;
  className: string;
}) {
  const { width, height, paths, receiver, pin } = drawing;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className={`plan ${className}`} role="img" aria-label={title}>
      <rect width={width} height={height} fill="var(--sheet)" />
      {paths.map(({ kind, d }) => (
        <path key={kind} className={kind} d={d} />
      ))}
      {receiver && (
        <>
          <circle cx={receiver.x} cy={receiver.y} r={6} fill="var(--dye)" />
          <circle cx={receiver.x} cy={receiver.y} r={2.2} fill="var(--sheet)" />
        </>
      )}
      <circle cx={pin.x} cy={pin.y} r={4} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
    </svg>
  );
}
