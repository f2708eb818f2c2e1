# Completion of syntaxa for bash, made from its parser.
_syntaxa() {
    local word="${COMP_WORDS[COMP_CWORD]}" before="${COMP_WORDS[COMP_CWORD-1]}" command="${COMP_WORDS[1]}"
    if [ "$COMP_CWORD" -eq 1 ]; then
        COMPREPLY=($(compgen -W 'open demo inspect mend sweep define form cut check sheet pack run' -- "$word") $(compgen -f -- "$word"))
        return
    fi
    case "$command $before" in
        "inspect --grouping") COMPREPLY=($(compgen -W 'auto groups colour one' -- "$word")); return ;;
        "mend --grouping") COMPREPLY=($(compgen -W 'auto groups colour one' -- "$word")); return ;;
        "mend --unit") COMPREPLY=($(compgen -W 'auto mm cm m in ft px px90 pt pc yd km dm um mil' -- "$word")); return ;;
        "mend --release") COMPREPLY=($(compgen -W 'R12 R2000 R2010 R2018' -- "$word")); return ;;
        "mend --output-unit") COMPREPLY=($(compgen -W 'mm cm m in ft' -- "$word")); return ;;
        "sweep --grouping") COMPREPLY=($(compgen -W 'auto groups colour one' -- "$word")); return ;;
        "sweep --unit") COMPREPLY=($(compgen -W 'auto mm cm m in ft px px90 pt pc yd km dm um mil' -- "$word")); return ;;
        "define --grouping") COMPREPLY=($(compgen -W 'auto groups colour one' -- "$word")); return ;;
        "define --unit") COMPREPLY=($(compgen -W 'auto mm cm m in ft px px90 pt pc yd km dm um mil' -- "$word")); return ;;
        "form --grouping") COMPREPLY=($(compgen -W 'auto groups colour one' -- "$word")); return ;;
        "form --unit") COMPREPLY=($(compgen -W 'auto mm cm m in ft px px90 pt pc yd km dm um mil' -- "$word")); return ;;
        "form --views") COMPREPLY=($(compgen -W 'auto first third' -- "$word")); return ;;
        "cut --grouping") COMPREPLY=($(compgen -W 'auto groups colour one' -- "$word")); return ;;
        "cut --unit") COMPREPLY=($(compgen -W 'auto mm cm m in ft px px90 pt pc yd km dm um mil' -- "$word")); return ;;
        "cut --zero") COMPREPLY=($(compgen -W 'lower-left lower-right upper-left upper-right centre as-drawn' -- "$word")); return ;;
        "cut --turning") COMPREPLY=($(compgen -W 'none half quarters eighths' -- "$word")); return ;;
        "check --unit") COMPREPLY=($(compgen -W 'auto mm cm m in ft px px90 pt pc yd km dm um mil' -- "$word")); return ;;
        "sheet --method") COMPREPLY=($(compgen -W 'first third' -- "$word")); return ;;
        "sheet --ink") COMPREPLY=($(compgen -W 'colour grey black' -- "$word")); return ;;
        "sheet --grouping") COMPREPLY=($(compgen -W 'auto groups colour one' -- "$word")); return ;;
        "sheet --unit") COMPREPLY=($(compgen -W 'auto mm cm m in ft px px90 pt pc yd km dm um mil' -- "$word")); return ;;
        "sheet --fold") COMPREPLY=($(compgen -W 'auto first third' -- "$word")); return ;;
        "pack --output-unit") COMPREPLY=($(compgen -W 'mm cm m in ft' -- "$word")); return ;;
        "pack --grouping") COMPREPLY=($(compgen -W 'auto groups colour one' -- "$word")); return ;;
        "pack --unit") COMPREPLY=($(compgen -W 'auto mm cm m in ft px px90 pt pc yd km dm um mil' -- "$word")); return ;;
        "pack --views") COMPREPLY=($(compgen -W 'auto first third' -- "$word")); return ;;
        "pack --zero") COMPREPLY=($(compgen -W 'lower-left lower-right upper-left upper-right centre as-drawn' -- "$word")); return ;;
        "pack --turning") COMPREPLY=($(compgen -W 'none half quarters eighths' -- "$word")); return ;;
    esac
    case "$command" in
        open) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help' -- "$word")) ;;
        demo) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help --walk' -- "$word")) ;;
        inspect) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help --page --layout --password --grouping --density --section --layers --skip-layers --report --json' -- "$word")) ;;
        mend) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help --page --layout --password --grouping --density --section --layers --skip-layers -o --output --unit --page-scale --scale --tolerance --refit --arcs --square --simplify --origin --release --beside --output-unit --report --budget --strict --json' -- "$word")) ;;
        sweep) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help --page --layout --password --grouping --density --section --layers --skip-layers --unit --limit --json' -- "$word")) ;;
        define) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help --page --layout --password --grouping --density --section --layers --skip-layers -o --output --unit --tolerance --level --angle --no-infer --no-dimensions --set --hold --variants --propose --strict --json' -- "$word")) ;;
        form) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help -o --output --page --layout --password --grouping --pixel-density --section --layers --skip-layers --unit --tolerance --level --angle --no-infer --no-dimensions --set --hold --views --thickness --thickness-by --turn-about --fillet --chamfer --density --strict --json' -- "$word")) ;;
        cut) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help -o --output --page --layout --password --grouping --density --section --layers --skip-layers --unit --page-scale --scale --tolerance --refit --arcs --square --simplify --origin --machine --tool --thickness --operations --margin --zero --decimals --sheet --copies --gap --turning --grid --tabs --file-per-tool --setup --strict --json' -- "$word")) ;;
        check) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help --against --zero --unit --layers --skip-layers --machine --tool --stock --tolerance --skip --strict --json' -- "$word")) ;;
        sheet) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help -o --output --paper --scale --frame --field --views --method --ink --holes --changes --parts --each-part --archive --dots --page --layout --password --grouping --pixel-density --section --layers --skip-layers --unit --page-scale --tolerance --refit --arcs --square --simplify --origin --define --level --angle --no-infer --no-dimensions --set --hold --thickness --thickness-by --turn-about --fillet --chamfer --density --fold --strict --json' -- "$word")) ;;
        pack) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help -o --output --with --names --rev --output-unit --beside --page --layout --password --grouping --pixel-density --section --layers --skip-layers --unit --page-scale --scale --tolerance --refit --arcs --square --simplify --origin --define --level --angle --no-infer --no-dimensions --set --hold --thickness --thickness-by --turn-about --fillet --chamfer --density --views --machine --tool --stock-thickness --operations --margin --zero --decimals --sheet --copies --gap --turning --grid --tabs --json' -- "$word")) ;;
        run) [[ "$word" == -* ]] && COMPREPLY=($(compgen -W '-h --help -o --output --jobs --scheduler --limit --strict --json' -- "$word")) ;;
    esac
    [ "${#COMPREPLY[@]}" -gt 0 ] || COMPREPLY=($(compgen -f -- "$word"))
}
complete -o filenames -F _syntaxa syntaxa
