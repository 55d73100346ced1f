import { Order } from '@/features/sales/Order';

export default Order;
