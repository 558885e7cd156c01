# Node and Debian, nothing else. The database is the deployment's: DATABASE_URL.
FROM docker.io/library/node:20-bookworm-slim
RUN apt-get update && apt-get install -y --no-install-recommends postgresql-client && rm -rf /var/lib/apt/lists/*
WORKDIR /srv/idle-compass
COPY . .
RUN npm ci --include=dev --ignore-scripts --no-audit --no-fund \
  && npx tsx scripts/copyFonts.ts && npx tsx scripts/buildIcons.ts && npx next build
ENV NODE_ENV=production PORT=4100
EXPOSE 4100
USER node
CMD ["sh", "-c", "npx tsx scripts/migrate.ts && exec node node_modules/next/dist/bin/next start -H 0.0.0.0 -p $PORT"]
