export { CleanUp as default } from '@/features/pictures/CleanUp';
