npx tsx err.tmp.mts prose 2>/dev/null | awk -F'│' '/concept|decision|hierarchy|process|venn|points/{print $2,$5,$6,$7,$8,$13}'
