/** The shop: its people, machines, wheels and stock as the program hands them round. */
export { STOCK_KINDS, stockSchemas, type Shop, type StockItem, type StockKind, type TireStock, type WeightItem, type WrenchItem, type TubeItem } from './shop';
