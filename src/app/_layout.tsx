import { Shell } from '@/features/shell/Shell';

export default Shell;
