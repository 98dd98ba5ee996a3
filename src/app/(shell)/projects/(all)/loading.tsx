export { PageLoading as default } from '@/ui/shell/PageLoading'
