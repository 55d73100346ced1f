export { StartingPoint as default } from '@/features/startingPoint/StartingPoint';
