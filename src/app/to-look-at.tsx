export { ToLookAt as default } from '@/features/warnings/ToLookAt';
