import { KeptHolds } from '@/core/schools/kept-holds'
import { answers } from './answers'

// keeps the holds that run between two looks at them, off the event loops that answer and that watch
const holds = new KeptHolds()
answers((asked: Parameters<KeptHolds['look']>[0]) => holds.look(asked))
