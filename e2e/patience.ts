jest.setTimeout(180_000);
