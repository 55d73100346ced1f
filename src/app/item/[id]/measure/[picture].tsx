export { MeasureInPicture as default } from '@/features/pictures/MeasureInPicture';
