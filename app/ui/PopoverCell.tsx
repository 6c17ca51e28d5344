import clsx from 'clsx'
import { Popover } from 'radix-ui'
import type { ReactNode } from 'react'

interface PopoverCellProps {
  readonly label: string
  readonly value: ReactNode
  readonly className?: string
  readonly fault?: string
  readonly children: ReactNode
}

/** A value of the title block that opens in place for what takes more than a number. */
export function PopoverCell({ label, value, className, fault, children }: PopoverCellProps) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className={clsx(
          'min-w-0 px-3 py-1.5 text-left hover:bg-film-2 data-[state=open]:bg-tape',
          fault && 'border-l-4 rule',
          className,
        )}
      >
        <span className="block truncate text-14 text-ink-2 [[data-state=open]_&]:text-ink">{label}</span>
        <span className="slab block truncate text-20 leading-[1.45]">{value}</span>
        {fault && (
          <span role="alert" className="block pt-1 font-text text-14 leading-snug">
            {fault}
          </span>
        )}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={-2}
          collisionPadding={12}
          aria-label={label}
          className="z-30 max-h-[var(--radix-popover-content-available-height)] w-[min(26rem,calc(100vw-1.5rem))] overflow-y-auto border-2 rule bg-film"
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
