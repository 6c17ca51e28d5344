import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'

interface ModalProps {
  readonly open: boolean
  readonly onClose: () => void
  readonly title: string
  readonly children: ReactNode
}

/** A question that has to be answered before going on. */
export function Modal({ open, onClose, title, children }: ModalProps) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/45" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-40 grid max-h-[92dvh] w-[min(38rem,calc(100vw-1.5rem))] -translate-1/2 gap-4 overflow-y-auto border-2 rule bg-film p-6 max-sm:p-4"
        >
          <Dialog.Title className="text-26">{title}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
