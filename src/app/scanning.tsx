export { Scanning as default } from '@/features/scanning/Scanning';
