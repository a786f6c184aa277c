export async function test(_args: string[]): Promise<void> {}
