export { Taught as default } from '@/features/says/Taught';
