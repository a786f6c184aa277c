import { W } from '@/core/language/screen/chart-zoom-buttons'
import type { TimeWindow } from '../hooks/use-time-window'

/**
 * Zoom for a gloved finger: the keys and two fingers do the same. On the phone two fingers do it, and the room belongs
 * to the call.
 */
export function ZoomButtons({ window: w }: { window: TimeWindow }) {
  return (
    <div className="mt-1 flex items-center max-sm:hidden gap-2 text-note text-ink-2">
      <button type="button" className="plain-button px-4 text-lead" aria-label={W.closer} onClick={() => w.zoom(1.6)}>
        + <span className="text-small">{W.closer2}</span>
      </button>
      <button
        type="button"
        className="plain-button px-4 text-lead"
        aria-label={W.farther}
        disabled={!w.zoomed}
        onClick={() => w.zoom(1 / 1.6)}
      >
        − <span className="text-small">{W.farther2}</span>
      </button>
      {w.zoomed && (
        <>
          <button type="button" className="plain-button px-3 text-note" onClick={() => w.move(-0.25)}>
            {W.earlier}
          </button>
          <button type="button" className="plain-button px-3 text-note" onClick={() => w.move(0.25)}>
            {W.later}
          </button>
          <button type="button" className="plain-button px-3 text-note" onClick={w.all}>
            {W.allOfIt}
          </button>
        </>
      )}
    </div>
  )
}
