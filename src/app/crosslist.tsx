import { Crosslist } from '@/features/crosslist/Crosslist';

export default Crosslist;
