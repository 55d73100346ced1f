jest.setTimeout(300_000);
