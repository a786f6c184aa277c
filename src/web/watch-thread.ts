import { watch } from '@/server/watch/watch'

// a thread of its own: what runs is judged and watched whatever the pages ask meanwhile
void watch()
