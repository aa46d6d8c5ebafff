export const IDENTIFY = "identify";
