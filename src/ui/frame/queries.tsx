'use client'

import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'

/** What is sent goes through one place: sent now or refused, never kept and sent again behind anybody's back. */
export function Queries({ children }: { children: ReactNode }) {
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { mutations: { retry: false, networkMode: 'always' } } }),
  )
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>
}
