// @ts-check
/**
 * Puts records into the page's store, past the application.
 *
 * @param {import("@playwright/test").Page} page @param {readonly (readonly [key: string, record: unknown])[]} records
 */
export const putRecords = (page, records) =>
  page.evaluate(
    (all) =>
      new Promise((resolve, reject) => {
        const request = indexedDB.open("shade");
        request.onerror = () => reject(new Error("not opened"));
        request.onsuccess = () => {
          const write = request.result.transaction("records", "readwrite");
          write.onerror = () => reject(new Error("not written"));
          for (const [key, record] of all) write.objectStore("records").put(record, key);
          write.oncomplete = () => resolve(undefined);
        };
      }),
    records,
  );
