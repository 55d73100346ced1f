export { Says as default } from '@/features/says/Says';
