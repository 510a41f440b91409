import { Dialog } from "radix-ui";
import { KeyList } from "./KeyList.tsx";

/** The keys and what they do, over the page. */
export default function KeysDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog.Root open onOpenChange={(open) => open || onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/40" />
        <Dialog.Content
          className="fixed top-1/2 left-1/2 grid w-[min(420px,92vw)] -translate-1/2 gap-3 border-2 border-ink bg-sheet p-6"
          aria-describedby={undefined}
        >
          <Dialog.Title className="text-value font-bold">Keys</Dialog.Title>
          <KeyList />
          <Dialog.Close className="key justify-self-end">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
