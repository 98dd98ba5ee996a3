'use client'

export { WholePageError as default } from '@/ui/shell/PageError'
