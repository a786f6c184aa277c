import { useId } from 'react'

/** One of a list, in the browser's own picker: works with a glove. */
export function Pick({
  label,
  value,
  options,
  onPick,
  className = '',
}: {
  label: string
  value: string
  options: Record<string, string>
  onPick: (value: string) => void
  className?: string
}) {
  const id = useId()
  return (
    <div className={`flex flex-col text-small ${className}`}>
      <label htmlFor={id} className="font-medium">
        {label}
      </label>
      <select
        id={id}
        className="field mt-0.5 !min-h-11 !text-small"
        value={value}
        onChange={(e) => onPick(e.target.value)}
      >
        {Object.entries(options).map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
    </div>
  )
}
