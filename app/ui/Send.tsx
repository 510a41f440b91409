/** The button that sends a form. While it is being sent a second press does nothing, and the keyboard stays on it: a disabled button would lose it. */
export function Send({
  busy,
  onClick,
  ...rest
}: Omit<React.ComponentProps<"button">, "type" | "disabled"> & { busy: boolean }) {
  return (
    <button
      {...rest}
      type="submit"
      aria-disabled={busy || undefined}
      onClick={(event) => {
        if (busy) event.preventDefault();
        else onClick?.(event);
      }}
    />
  );
}
