import { Groups } from '@/features/attic/Groups';

export default Groups;
