import { Setup } from '@/features/attic/Setup';

export default Setup;
