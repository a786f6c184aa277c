import type { ComponentProps } from 'react'

/** The one next action of a screen: the largest thing a thumb finds. There is one of it at a time. */
export function MainButton({ className = '', children, type = 'button', ...rest }: ComponentProps<'button'>) {
  return (
    <button
      type={type}
      className={
        `flex min-h-[68px] w-full items-center justify-between gap-3 rounded bg-accent px-5 py-2 text-left ` +
        `text-act font-semibold leading-tight text-accent-text disabled:opacity-60 ${className}`
      }
      {...rest}
    >
      {children}
    </button>
  )
}
