import { OrderPage } from '@/features/fulfilment/OrderPage';

export default OrderPage;
