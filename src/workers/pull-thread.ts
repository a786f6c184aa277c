import { KeptPulls } from '@/core/pull/kept-pulls'
import { answers } from './answers'

// says where running pulls end, off the server's event loop, and keeps them between two looks: a fresh look takes a
// second
const pulls = new KeptPulls()
answers((asked: Parameters<KeptPulls['look']>[0]) => pulls.look(asked))
