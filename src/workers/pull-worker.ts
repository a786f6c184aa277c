import type { PullAsked } from '@/core/pull/asked'
import { whereItStands } from '@/core/pull/running-pull'

/** Says where a running pull ends, off the page's thread: on a device that has no line to the server's watch. */
self.onmessage = (message: MessageEvent<{ asked: PullAsked }>) => {
  self.postMessage({ stands: whereItStands(message.data.asked) })
}
