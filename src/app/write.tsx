export { WriteMany as default } from '@/features/write/WriteMany';
