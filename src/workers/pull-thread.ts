import { whereItStands } from '@/core/pull/running-pull'
import { answers } from './answers'

// says where a running pull ends, off the server's event loop: a look takes seconds
answers(whereItStands)
