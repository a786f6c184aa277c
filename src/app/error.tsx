'use client'

import { PageAway } from '@/ui/frame/page-away'

export default PageAway
