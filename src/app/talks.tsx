import { Talks } from '@/features/desk/Talks';

export default Talks;
