// How our headless Chromium is started: Debian's, drawing in software, asking nothing of the network.
export const CHROMIUM_LAUNCH = {
  executablePath: process.env.OILWICK_CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--use-gl=angle',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
    '--ignore-gpu-blocklist',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
    '--disable-quic',
    // The page itself is drawn without GL: what is software in any case takes half as long that way.
    '--disable-gpu-compositing',
    '--disable-gpu-rasterization',
  ],
};
