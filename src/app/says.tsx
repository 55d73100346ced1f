export { SaysMany as default } from '@/features/says/SaysMany';
