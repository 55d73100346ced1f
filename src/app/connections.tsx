import { Connections } from '@/features/connections/Connections';

export default Connections;
