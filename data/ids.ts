/** Shapes of ids, looked at before a query sees them. */
const uuidShape = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;
export const isUuid = (id: string): boolean => uuidShape.test(id);
