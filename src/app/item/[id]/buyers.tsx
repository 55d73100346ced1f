export { SideBySide as default } from '@/features/crosslist/SideBySide';
