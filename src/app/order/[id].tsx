import { OrderPage } from '@/features/desk/OrderPage';

export default OrderPage;
