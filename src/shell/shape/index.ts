export { OneShape, shapeTones } from "./OneShape";
