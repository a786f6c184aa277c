'use client'

import { toString as qrOf } from 'qrcode'
import { useEffect, useState } from 'react'
import { W } from '@/core/language/screen/frame-scan-code'

/** A text as a code a phone or a scanner reads off the screen; dark on white by night too. */
export function ScanCode({ text, size }: { text: string; size: number }) {
  const [code, setCode] = useState('')
  useEffect(() => {
    void qrOf(text, { type: 'svg', margin: 1 }).then(setCode)
  }, [text])
  return (
    <div
      role="img"
      aria-label={W.theSameAsACode}
      className="bg-white p-1"
      style={{ width: size, height: size }}
      // biome-ignore lint/security/noDangerouslySetInnerHtml: an SVG drawn by the code's own library from our own text
      dangerouslySetInnerHTML={{ __html: code }}
    />
  )
}
