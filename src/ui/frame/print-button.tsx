'use client'

import { W } from '@/core/language/screen/frame-print-button'

/** Puts the page on paper. */
export const PrintButton = () => (
  <button type="button" className="plain-button" onClick={() => window.print()}>
    {W.print}
  </button>
)
