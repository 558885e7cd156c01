for k in hierarchy points process venn decision; do npx tsx err.tmp.mts list $k 2>/dev/null | awk -F'│' -v k=$k '$0 ~ k {print "list", $2,$5,$6}'; done
npx tsx err.tmp.mts mixed 2>/dev/null | awk -F'│' '/concept|decision|hierarchy|process|venn|points/{print "mixed", $2,$5,$6}'
